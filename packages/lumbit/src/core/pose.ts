import { type Box, intersection, intersects } from "./box.ts";
import type { LayerLayout, PageLayout, SceneLayout } from "./layout.ts";
import { travelAt } from "./travel.ts";

/** Everything about one layer at one scroll position. The box is in viewport px, after movement. */
export interface LayerPose extends Box {
  name: string;
  opacity: number;
  scale: number;
  /** Degrees, clockwise. */
  rotate: number;
  /** Radius in px. */
  blur: number;
  /** Whether any of the box is inside its scene, its pane and the viewport. */
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
  /** The page's backdrop, where there is one. */
  backdrop?: Box;
}

/** Where everything on a page is at a scroll position (px, cut to what the page can scroll). */
export function poseAt(layout: PageLayout, scroll: number): PagePose {
  const { viewport, scrollHeight, backdrop } = layout;
  const reached = Math.min(Math.max(scroll, 0), scrollHeight - viewport.height);
  return {
    viewport: { width: viewport.width, height: viewport.height },
    scroll: reached,
    scrollHeight,
    scenes: layout.scenes.map((scene) => {
      const top = scene.top - reached;
      const layers = scene.layers.flatMap((layer) => poseLayer(layer, scene, top, layout));
      return { name: scene.name, top, height: scene.height, layers };
    }),
    ...(backdrop && {
      backdrop: { left: 0, top: -backdrop.speed * reached, width: viewport.width, height: backdrop.height },
    }),
  };
}

/** A layer's scale as the camera nears it, (1 + depth) / (1 + depth - push), push counted from the settle moment. */
function scaleAt({ push, depth }: LayerLayout, { passage }: SceneLayout, d: number): number {
  if (push === 0) return 1;
  return (1 + depth) / (1 + depth - (push * d) / passage.length);
}

/** The pose of a layer and, behind it, of the layers inside it. */
function poseLayer(
  layer: LayerLayout,
  scene: SceneLayout,
  top: number,
  { viewport }: PageLayout,
): LayerPose[] {
  const p = viewport.height - top;
  // Before and after its passage a scene is out of view, and its layers rest where they came from or went.
  const d = Math.min(Math.max(p, 0), scene.passage.length) - scene.settle;
  const travel = layer.travel ? travelAt(layer.travel, p) : { x: 0, y: 0 };
  const scale = scaleAt(layer, scene, d);
  const at = { left: scene.left, top };
  const placed = moved(
    layer.box,
    at.left + layer.drift.x * d + travel.x,
    at.top + layer.drift.y * d + travel.y,
  );
  const box = scaled(placed, scale, placed);
  const screen = { left: 0, top: 0, width: viewport.width, height: viewport.height };
  const inScene = intersection(screen, { ...at, width: scene.width, height: scene.height });
  const clip = layer.pane ? intersection(inScene, moved(layer.pane, at.left, at.top)) : inScene;
  const { opacity, blur } = layer;
  const pose = (
    name: string,
    box: Box,
    hidden: boolean,
    own: { opacity: number; blur: number },
  ): LayerPose => ({
    name,
    ...(hidden ? { left: 0, top: 0, width: 0, height: 0 } : box),
    ...own,
    scale,
    rotate: 0,
    visible: !hidden && intersects(box, clip),
  });
  const inner = (layer.layers ?? []).map((child) =>
    pose(
      child.name,
      scaled(moved(child.box, placed.left, placed.top), scale, placed),
      layer.hidden || child.hidden,
      {
        opacity: 1,
        blur: 0,
      },
    ),
  );
  return [pose(layer.name, box, layer.hidden, { opacity, blur }), ...inner];
}

const moved = (box: Box, x: number, y: number): Box => ({ ...box, left: box.left + x, top: box.top + y });

/** A box scaled about the middle of another. */
function scaled(box: Box, scale: number, about: Box): Box {
  if (scale === 1) return box;
  const [x, y] = [about.left + about.width / 2, about.top + about.height / 2];
  return {
    left: x + (box.left - x) * scale,
    top: y + (box.top - y) * scale,
    width: box.width * scale,
    height: box.height * scale,
  };
}
