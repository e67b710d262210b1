import type { Layer } from "./page.ts";

/**
 * The speed of a layer at a depth (in camera distances, more than -1, `Infinity` the horizon): screen movement
 * per scrolled pixel. One camera at distance 1 from the surface sees what is 1 + depth away move 1 / (1 + depth)
 * times as fast: the pinhole projection.
 */
export const speedAt = (depth: number): number => 1 / (1 + depth);

/** The depth (more than -1, up to `Infinity`) at which a layer moves with `speed` (0 or more). */
export const depthAt = (speed: number): number => 1 / speed - 1;

/** A layer's depth as a number: `Infinity` at the horizon, 0 when it names neither depth nor speed. */
export function depthOf(layer: Layer): number {
  if (layer.speed !== undefined) return depthAt(layer.speed);
  return layer.depth === "horizon" ? Number.POSITIVE_INFINITY : (layer.depth ?? 0);
}

/** How far a layer slides against its scene per scrolled pixel: 0 with the page, 1 fixed, below 0 in front. */
export const driftOf = (layer: Layer): number => 1 - (layer.speed ?? speedAt(depthOf(layer)));
