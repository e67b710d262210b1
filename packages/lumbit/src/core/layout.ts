import { numbers } from "./arithmetic.ts";
import { backdropHeight } from "./backdrop.ts";
import type { Box, Size } from "./box.ts";
import { columnWidth } from "./column.ts";
import { contentAcross } from "./content.ts";
import { depthOf, speedOf } from "./depth.ts";
import { type Drift, driftFactor, driftOf } from "./drift.ts";
import { blurAt } from "./focus.ts";
import { hazedOpacity } from "./haze.ts";
import { isGroup, isReel, isSlide } from "./kinds.ts";
import type { AnyLayer, GroupLayer, Slide } from "./layer.ts";
import { type MomentContext, momentAt } from "./moment.ts";
import { orderOf } from "./order.ts";
import { type Overscan, overscanOf } from "./overscan.ts";
import { ownSettleOf } from "./own-settle.ts";
import type { Page, PageLook } from "./page.ts";
import { overscans } from "./paned.ts";
import { type Passage, passageOf } from "./passage.ts";
import { type Placed, placeLayer, type Sizes } from "./place-layer.ts";
import { type ResolvedRamp, resolveHold, resolveRamps } from "./ramp-pose.ts";
import { reached, withReach } from "./reach.ts";
import { goesRight, isSwipedWhole, slidOffsets } from "./reel.ts";
import { layoutReel, type SlideLayout } from "./reel-layout.ts";
import { applyRules } from "./rules-at.ts";
import { type Scene, sceneHeight } from "./scene.ts";
import { settleAt } from "./settle.ts";
import { stageOf } from "./stage.ts";
import { isSwiped, swipeWidth } from "./swipe.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

/** The natural sizes of a page, in px: measured or estimated by the caller. */
export interface Natural {
  /** Of a picture its file's size, of a text of a scene the box it needs when it may use `availableWidth`. */
  layer(layer: AnyLayer, availableWidth: number, viewport: Viewport, scene: string): Size;
  /** The height of a scene's content in the flow, without padding, in a column of `width`. */
  content?(scene: Scene, width: number, viewport: Viewport): number;
}

/** One layer, laid out: where it stands at the settle moment and how it moves. */
export interface LayerLayout {
  /** As the page file has it, with those of its rules that hold. */
  layer: AnyLayer;
  name: string;
  depth: number;
  speed: number;
  drift: Drift;
  /** p0: the position in its scene's passage at which it stands where it was placed. */
  settle: number;
  /** Its place in the paint order: less is painted first. */
  order: number;
  hidden: boolean;
  opacity: number;
  /** Radius in px. */
  blur: number;
  /** Degrees, clockwise. */
  rotate: number;
  /** Its box at the settle moment against the scene, overscan included. */
  box: Box;
  /** What clips it besides the scene, against the scene. */
  pane?: Box;
  /** Of a picture or shape in a pane: how far it reaches past the pane's edges. */
  overscan?: Overscan;
  ramps: ResolvedRamp[];
  /** How far the camera moves towards it over a whole passage, in camera distances. */
  push: number;
  /** Layers inside a group, which move with it; their boxes are against the group's. */
  layers?: LayerLayout[];
}

/** One scene, laid out. `top` is its distance from the top of the page. */
export interface SceneLayout {
  /** As the page file has it, with those of its rules and its layers' that hold. */
  scene: Scene;
  name: string;
  top: number;
  left: number;
  width: number;
  height: number;
  passage: Passage;
  /** p0: the position in the passage at which every layer stands where it was placed. */
  settle: number;
  layers: LayerLayout[];
}

/** A page laid out at one viewport: everything that does not depend on the scroll position. Lengths in px. */
export interface PageLayout {
  /** As the page file has it, with all rules that hold at the viewport. */
  page: Page;
  viewport: Viewport;
  scrollHeight: number;
  scenes: SceneLayout[];
  /** Of the page's backdrop: its height, and its speed. */
  backdrop?: { height: number; speed: number };
}

/** Lays a page out at a viewport (px, more than 0). */
export function layoutPage(source: Page, viewport: Viewport, natural: Natural): PageLayout {
  const page = applyRules(source, viewport);
  const look = page.page ?? {};
  const across = (length: Length) => resolveLength(length, { viewport, percent: viewport.width });
  const column = columnWidth(look, viewport);
  const heights = page.scenes.map((scene) => heightOf(scene, look, viewport, natural));
  const isNarrow = viewport.width < swipeWidth;
  const holds = page.scenes.map((scene) => (isNarrow && isSwipedWhole(scene) ? 0 : across(scene.hold ?? 0)));
  const total = [...heights, ...holds].reduce((sum, height) => sum + height, 0);
  // Browsers snap what can be scrolled to whole pixels.
  const scrollHeight = Math.max(Math.round(total), viewport.height);
  let top = 0;
  const scenes = page.scenes.map((scene, index) => {
    const height = heights[index] as number;
    const hold = holds[index] as number;
    const after = total - top - height - hold;
    const passage = passageOf({ viewport: viewport.height, scene: height, hold, before: top, after });
    const width = scene.width === "column" ? column : viewport.width;
    const laidOut = layoutScene(scene, { top, width, passage, scrollHeight, viewport, natural, look });
    top += height + hold;
    return laidOut;
  });
  if (!look.backdrop) return { page, viewport, scrollHeight, scenes };
  const speed = speedOf(look.backdrop);
  const height = backdropHeight(numbers, speed, viewport.height, scrollHeight);
  return { page, viewport, scrollHeight, scenes, backdrop: { height, speed } };
}

function heightOf(scene: Scene, look: PageLook, viewport: Viewport, natural: Natural): number {
  const px = (length: Scene["minHeight"]) => resolveLength(length ?? 0, { viewport, percent: 0 });
  const height = sceneHeight(scene);
  const { width } = contentAcross(scene, look, viewport);
  const content = scene.content ? (natural.content?.(scene, width, viewport) ?? 0) : 0;
  const needed = content + px(scene.paddingTop) + px(scene.paddingBottom);
  return Math.max(px(scene.minHeight), height === "auto" ? 0 : px(height), scene.content ? needed : 0);
}

interface SceneContext {
  top: number;
  width: number;
  passage: Passage;
  scrollHeight: number;
  viewport: Viewport;
  natural: Natural;
  look: PageLook;
}

function layoutScene(scene: Scene, context: SceneContext): SceneLayout {
  const { top, width, passage, scrollHeight, viewport, natural, look } = context;
  const size = { width, height: passage.scene };
  const settle = settleAt(scene.settle ?? "auto", passage);
  const stage = stageOf(scene, look, viewport);
  const layers = scene.layers.map((layer): LayerLayout => {
    const depth = depthOf(layer);
    const drift = driftOf(layer, stage);
    const sizes = { viewport, natural, scene: scene.name };
    const placed = placeLayer(layer, size, sizes);
    const sway = resolveLength(stage.camera.sway, { viewport, percent: width });
    const k = driftFactor(numbers, stage.relief, speedOf(layer));
    const own =
      layer.settle === undefined
        ? settle
        : ownSettleOf(numbers, layer.settle, passage.viewport, placed.pane ?? placed.box);
    const { overscan, ...boxes } = withReach(layer, placed, { drift, settle: own, passage, k, sway });
    const { box } = boxes;
    const moments = { viewport, scene: { height: passage.scene + passage.hold, top }, scrollHeight };
    return {
      ...common(layer),
      ...lookOf(layer, hazedOpacity(depth, look.haze), blurAt(depth, look.focus, viewport)),
      drift,
      settle: own,
      box,
      ...((boxes.pane ?? isReel(layer)) && { pane: boxes.pane ?? box }),
      ...(overscan && { overscan }),
      ramps: [...resolveRamps(layer, { ...moments, box }), ...resolveHold(layer, drift, { ...moments, box })],
      push: overscan || !Number.isFinite(depth) ? 0 : stage.camera.push,
      ...(isGroup(layer) && {
        layers: isReel(layer)
          ? layoutSlides(layer, box, { ...moments, settle: own }, sizes, stage.relief)
          : layoutGroup(layer, boxes, { ...moments, settle: own }, sizes, look),
      }),
    };
  });
  return {
    scene,
    name: scene.name,
    top,
    left: (viewport.width - width) / 2,
    ...size,
    passage,
    settle,
    layers,
  };
}

const common = (layer: AnyLayer) => ({
  layer,
  name: layer.name,
  depth: depthOf(layer),
  speed: speedOf(layer),
  order: orderOf(layer),
  hidden: layer.hidden ?? false,
});

/** How a layer looks by itself, on top of what its depth makes of it. */
const lookOf = (
  { opacity = 1, blur = "0px", rotate = 0 }: Pick<AnyLayer, "opacity" | "blur" | "rotate">,
  hazed: number,
  unfocused: number,
) => ({ opacity: hazed * opacity, blur: unfocused + Number.parseFloat(blur), rotate });

/** What moments in a group are resolved against, and when the group settles. */
type GroupMoments = Omit<MomentContext, "box"> & Pick<LayerLayout, "settle">;

function layoutGroup(
  group: GroupLayer | Slide,
  { box: around, members = [] }: Placed,
  moments: GroupMoments,
  sizes: Sizes,
  look: PageLook,
): LayerLayout[] {
  return group.layers.map((layer, index): LayerLayout => {
    const own = members[index] ?? placeLayer(layer, around, sizes);
    const { box } = own;
    const inScene = { ...box, left: around.left + box.left, top: around.top + box.top };
    return {
      ...common(layer),
      ...lookOf(
        layer,
        1,
        group.tilt !== undefined ? blurAt(depthOf(layer), look.focus, moments.viewport) : 0,
      ),
      drift: { x: 0, y: 0 },
      settle: moments.settle,
      push: 0,
      box,
      ramps: resolveRamps(layer, { ...moments, box: inScene }),
      ...(isGroup(layer) && {
        layers: layoutGroup(layer, { ...own, box: inScene }, moments, sizes, look),
      }),
    };
  });
}

/** The slides of a reel: all travel sideways while the scene holds, and what is deep in them slides against them. */
function layoutSlides(
  reel: GroupLayer,
  around: Box,
  moments: GroupMoments,
  sizes: Sizes,
  relief: number,
): LayerLayout[] {
  const { viewport } = moments;
  const { slides, travel } = layoutReel(reel, around, viewport);
  const swiped = reel.reel !== undefined && isSwiped(reel.reel, viewport.width);
  const [start, end] = (["contain 0%", "contain 100%"] as const).map((moment) =>
    momentAt(moment, "scene", { ...moments, box: around }),
  ) as [number, number];
  const isBackwards = reel.reel !== undefined && goesRight(reel.reel);
  const sideways = (first: number, last: number): ResolvedRamp[] => {
    const [from, to] = isBackwards ? [last, first] : [first, last];
    return swiped || (from === 0 && to === 0)
      ? []
      : [
          {
            property: "x",
            stops: [
              { at: start, value: from, easing: "linear" },
              { at: end, value: to, easing: "linear" },
            ],
          },
        ];
  };
  const still = { drift: { x: 0, y: 0 }, settle: moments.settle, push: 0 };
  return reel.layers.filter(isSlide).map((slide, index) => {
    const at = slides[index] as SlideLayout;
    const box = { left: at.left, top: 0, width: at.width, height: around.height };
    return {
      ...common(slide),
      ...lookOf(slide, 1, 0),
      ...still,
      box,
      ramps: sideways(0, -travel),
      layers: slide.layers.map((layer): LayerLayout => {
        const k = driftFactor(numbers, relief, speedOf(layer));
        const { from, to } = slidOffsets(numbers, k, { ...at.passage, before: at.left }, travel);
        const boxes = placeLayer(layer, box, sizes);
        const pane = boxes.pane ?? boxes.box;
        const inScene = {
          ...boxes.box,
          left: around.left + at.left + boxes.box.left,
          top: around.top + boxes.box.top,
        };
        const across =
          overscans(layer) && !swiped
            ? overscanOf({ x: 0, y: k }, at.passage.length / 2, at.passage, {
                top: pane.left,
                height: pane.width,
              })
            : undefined;
        const overscan = across && { left: across.top, right: across.bottom, top: 0, bottom: 0 };
        return {
          ...common(layer),
          ...lookOf(layer, 1, 0),
          ...still,
          box: overscan ? reached(pane, overscan) : boxes.box,
          ...(overscan && { pane, overscan }),
          ramps: [...sideways(from, to), ...resolveRamps(layer, { ...moments, box: inScene })],
        };
      }),
    };
  });
}
