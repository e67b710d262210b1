import { type AnyLayer, driftOf, type PageLayout } from "lumbit/core";
import { displacement, numbers, stageOf } from "lumbit/internal";

/** How far a layer of a scene is from its place at a scroll position, in px: to the right, and downwards. */
export function displaced(
  { scenes, page, viewport }: PageLayout,
  name: string,
  scroll: number,
  layer: AnyLayer,
): { x: number; y: number } {
  const scene = scenes.find((one) => one.name === name);
  if (!scene) return { x: 0, y: 0 };
  const drift = driftOf(layer, stageOf(scene.scene, page.page, viewport));
  const p = Math.min(Math.max(viewport.height + scroll - scene.top, 0), scene.passage.length);
  const settle = scene.layers.find((one) => one.name === layer.name)?.settle ?? scene.settle;
  const along = (factor: number) => displacement(numbers, factor, p, settle);
  return { x: along(drift.x), y: along(drift.y) };
}
