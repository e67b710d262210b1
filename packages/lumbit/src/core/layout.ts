import type { Box, Size } from "./box.ts";
import { depthOf, driftOf, speedAt } from "./depth.ts";
import { paintOrder } from "./order.ts";
import { type Overscan, overscanOf } from "./overscan.ts";
import { fillsScene, isImage, type Layer, type Page, type Scene, sceneHeight } from "./page.ts";
import { type Passage, passageOf } from "./passage.ts";
import { placedBox } from "./place.ts";
import { settleAt } from "./settle.ts";
import { resolveLength, type Viewport } from "./units.ts";

/**
 * The natural size of a layer in px: of a picture its file's size, of a text the box it needs when it may use
 * `availableWidth`. Measured or estimated by the caller.
 */
export type Natural = (layer: Layer, availableWidth: number, viewport: Viewport) => Size;

/** One layer, laid out: where it stands at the settle moment and how it moves. */
export interface LayerLayout {
  name: string;
  depth: number;
  speed: number;
  /** k: how far it slides against its scene per scrolled pixel. */
  drift: number;
  /** Its place in the paint order, 0 is painted first. */
  order: number;
  /** Its box at the settle moment against the scene, overscan included. */
  box: Box;
  /** Of a picture that fills its scene: how far it reaches past the scene's edges. */
  overscan?: Overscan;
}

/** One scene, laid out. `top` is its distance from the top of the page. */
export interface SceneLayout {
  name: string;
  top: number;
  width: number;
  height: number;
  passage: Passage;
  /** p0: the position in the passage at which every layer stands where it was placed. */
  settle: number;
  layers: LayerLayout[];
}

/** A page laid out at one viewport: everything that does not depend on the scroll position. Lengths in px. */
export interface PageLayout {
  viewport: Viewport;
  scrollHeight: number;
  scenes: SceneLayout[];
}

/** Lays a page out at a viewport (px, more than 0). */
export function layoutPage(page: Page, viewport: Viewport, natural: Natural): PageLayout {
  const heights = page.scenes.map((scene) => resolveLength(sceneHeight(scene), { viewport, percent: 0 }));
  const total = heights.reduce((sum, height) => sum + height, 0);
  let top = 0;
  const scenes = page.scenes.map((scene, index) => {
    const height = heights[index] as number;
    const passage = passageOf({
      viewport: viewport.height,
      scene: height,
      before: top,
      after: total - top - height,
    });
    const laidOut = layoutScene(scene, top, passage, viewport, natural);
    top += height;
    return laidOut;
  });
  // Browsers snap what can be scrolled to whole pixels.
  return { viewport, scrollHeight: Math.max(Math.round(total), viewport.height), scenes };
}

function layoutScene(
  scene: Scene,
  top: number,
  passage: Passage,
  viewport: Viewport,
  natural: Natural,
): SceneLayout {
  const size = { width: viewport.width, height: passage.scene };
  const settle = settleAt(scene.settle ?? "auto", passage);
  const order = paintOrder(scene.layers);
  const layers = scene.layers.map((layer, index): LayerLayout => {
    const drift = driftOf(layer);
    const depth = depthOf(layer);
    const common = { name: layer.name, depth, speed: speedAt(depth), drift, order: order[index] as number };
    if (fillsScene(layer)) {
      const overscan = overscanOf(drift, settle, passage);
      const height = size.height + overscan.top + overscan.bottom;
      return { ...common, box: { left: 0, top: -overscan.top, width: size.width, height }, overscan };
    }
    const box = placedBox(layer.place ?? { center: "both" }, {
      viewport,
      scene: size,
      natural: (available) => natural(layer, available, viewport),
      ...(isImage(layer) ? { kind: "image" } : { kind: "text", maxWidth: layer.maxWidth }),
    });
    return { ...common, box };
  });
  return { name: scene.name, top, ...size, passage, settle, layers };
}
