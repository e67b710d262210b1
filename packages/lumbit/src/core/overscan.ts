import type { Passage } from "./passage.ts";

/** How far a picture reaches past its pane, in px. Negative: the pane's edge is never seen, the picture may end short of it. */
export interface Overscan {
  top: number;
  bottom: number;
}

/**
 * The exact overscan of a picture that fills its scene and drifts vertically by `drift` (k) px per scrolled px
 * from its settle moment p0.
 *
 * The visible part of the scene at p is [max(0, p - V), min(H, p)] and the picture has moved d(p) = k (p - p0).
 * The picture must cover that part at every reachable p, so the top overscan is the maximum of
 * d(p) - max(0, p - V) and the bottom overscan that of min(H, p) - H - d(p). Both are piecewise linear in p with
 * one corner, so their maxima lie at the ends of the reachable passage or at the corner.
 */
export function overscanOf(drift: number, settle: number, passage: Passage): Overscan {
  const { viewport, scene, lo, hi } = passage;
  const within = (p: number) => Math.min(Math.max(p, lo), hi);
  const top = (p: number) => drift * (p - settle) - Math.max(0, p - viewport);
  const bottom = (p: number) => Math.min(scene, p) - scene - drift * (p - settle);
  return {
    top: Math.max(top(lo), top(within(viewport)), top(hi)),
    bottom: Math.max(bottom(lo), bottom(within(scene)), bottom(hi)),
  };
}
