import { type Box, intersects } from "./box.ts";
import type { LayerLayout, PageLayout, SceneLayout } from "./layout.ts";

/** Everything about one layer at one scroll position. The box is in viewport px, after movement. */
export interface LayerPose extends Box {
  name: string;
  opacity: number;
  scale: number;
  /** Degrees, clockwise. */
  rotate: number;
  /** Radius in px. */
  blur: number;
  /** Whether any of the box is inside its scene and the viewport. */
  visible: boolean;
}

export interface ScenePose {
  name: string;
  /** The scene's top edge on the screen. */
  top: number;
  height: number;
  layers: LayerPose[];
}

export interface PagePose {
  viewport: { width: number; height: number };
  scroll: number;
  scrollHeight: number;
  scenes: ScenePose[];
}

/** How far a layer has slid down against its scene at p: d = k (p - p0), in px. */
export const displacement = (drift: number, settle: number, p: number): number => drift * (p - settle);

/** Where everything on a page is at a scroll position (px, cut to what the page can scroll). */
export function poseAt(layout: PageLayout, scroll: number): PagePose {
  const { viewport, scrollHeight } = layout;
  const reached = Math.min(Math.max(scroll, 0), scrollHeight - viewport.height);
  return {
    viewport,
    scroll: reached,
    scrollHeight,
    scenes: layout.scenes.map((scene) => {
      const top = scene.top - reached;
      const layers = scene.layers.map((layer) => poseLayer(layer, scene, top, layout));
      return { name: scene.name, top, height: scene.height, layers };
    }),
  };
}

function poseLayer(layer: LayerLayout, scene: SceneLayout, top: number, { viewport }: PageLayout): LayerPose {
  const moved = displacement(layer.drift, scene.settle, viewport.height - top);
  const box = { ...layer.box, top: top + layer.box.top + moved };
  const clip = {
    left: 0,
    width: viewport.width,
    top: Math.max(0, top),
    height: Math.min(viewport.height, top + scene.height) - Math.max(0, top),
  };
  return {
    name: layer.name,
    ...box,
    opacity: 1,
    scale: 1,
    rotate: 0,
    blur: 0,
    visible: intersects(box, clip),
  };
}
