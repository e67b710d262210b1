import { driftOf, fillsScene, type Layer, paintOrder, type Scene } from "../core/index.ts";

/** A layer and its place in the paint order of its scene. */
export interface StagedLayer {
  layer: Layer;
  order: number;
}

/**
 * Which layers of a scene are fixed backdrops and which are on the stage. The lowest pictures that fill the scene
 * at the horizon are fixed by plain CSS, exact in every engine; a horizon picture above a moving layer cannot be,
 * since what is fixed lies outside the stage and below all of it.
 */
export function stageScene(scene: Scene): { fixed: StagedLayer[]; moving: StagedLayer[] } {
  const order = paintOrder(scene.layers);
  const staged = scene.layers.map((layer, index) => ({ layer, order: order[index] as number }));
  const isFixed = ({ layer }: StagedLayer) => fillsScene(layer) && driftOf(layer) === 1;
  const lowestMoving = Math.min(...staged.filter((entry) => !isFixed(entry)).map((entry) => entry.order));
  const fixed = staged.filter((entry) => entry.order < lowestMoving);
  return { fixed, moving: staged.filter((entry) => entry.order >= lowestMoving) };
}
