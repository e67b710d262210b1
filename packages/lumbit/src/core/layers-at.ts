import { type Box, contains, intersection } from "./box.ts";
import type { LayerLayout, PageLayout, SceneLayout } from "./layout.ts";
import { hasPane } from "./paned.ts";
import { type LayerPose, poseAt } from "./pose.ts";

/** A layer by the names of its scene and itself. */
export interface LayerName {
  scene: string;
  layer: string;
}

/** A layer, and behind it all that is in it, in document order: as poses come. */
export const withInner = (layer: LayerLayout): LayerLayout[] => [
  layer,
  ...(layer.layers ?? []).flatMap(withInner),
];

/** Layers as they are painted, a group before what is in it. */
export const inPaintOrder = (layers: readonly LayerLayout[]): LayerLayout[] =>
  layers
    .toSorted((a, b) => a.order - b.order)
    .flatMap((layer) => [layer, ...inPaintOrder(layer.layers ?? [])]);

/**
 * The layers whose boxes are at a point of the screen (px) at a scroll position, what is painted last first. Boxes are
 * turned and clipped as they are drawn; which of their pixels are there is not looked at.
 */
export function layersAt(layout: PageLayout, scroll: number, point: { x: number; y: number }): LayerName[] {
  const { scenes } = poseAt(layout, scroll);
  return layout.scenes.flatMap((scene, index) => {
    const pose = scenes[index];
    const own = { left: scene.left, top: pose?.top ?? 0, width: scene.width, height: scene.height };
    if (!pose || !contains(own, point)) return [];
    const found = new Set(
      scene.layers
        .flatMap(withInner)
        .filter((layer, at) => isAt(layer, pose.layers[at], clipOf(layer, scene, own), point)),
    );
    return inPaintOrder(scene.layers)
      .filter((layer) => found.has(layer))
      .reverse()
      .map(({ name }) => ({ scene: scene.name, layer: name }));
  });
}

/** The part of the screen in which a layer can be seen: its scene, and the pane of it or of the reel that it is in. */
function clipOf(layer: LayerLayout, { layers }: SceneLayout, own: Box) {
  const { pane } = layers.find((top) => withInner(top).includes(layer)) ?? {};
  return pane ? intersection(own, { ...pane, left: own.left + pane.left, top: own.top + pane.top }) : own;
}

function isAt(
  { layer }: LayerLayout,
  pose: LayerPose | undefined,
  clip: Box,
  point: { x: number; y: number },
): boolean {
  if (!pose || pose.width <= 0 || pose.height <= 0 || pose.opacity === 0 || !contains(clip, point))
    return false;
  const [x, y] = [point.x - pose.left - pose.width / 2, point.y - pose.top - pose.height / 2];
  const turn = (-pose.rotate * Math.PI) / 180;
  const [across, down] = [
    (x * Math.cos(turn) - y * Math.sin(turn)) / pose.width,
    (x * Math.sin(turn) + y * Math.cos(turn)) / pose.height,
  ];
  if (layer.shape === "ellipse" && !hasPane(layer)) return across ** 2 + down ** 2 <= 0.25;
  return Math.abs(across) <= 0.5 && Math.abs(down) <= 0.5;
}
