import type { Drift } from "./drift.ts";
import type { Passage } from "./passage.ts";

/** How far a picture reaches past its pane, in px. Negative: the pane's edge is never seen, the picture may end short of it. */
export interface Overscan {
  top: number;
  right: number;
  bottom: number;
  left: number;
}

/** A pane in its scene: the distance of its top from the scene's, and its height, in px. */
export interface Pane {
  top: number;
  height: number;
}

/**
 * The exact overscan of a picture that fills a pane and drifts by k px per scrolled px from its settle moment p0.
 *
 * The visible part of a pane of height h at distance t from the scene's top is, at p, [max(0, p - V - t),
 * min(h, p - t)], and the picture has moved d(p) = k (p - p0). It must cover that part at every reachable p at which
 * the pane is in view, so the top overscan is the maximum of dy(p) - max(0, p - V - t), the bottom overscan that of
 * min(h, p - t) - h - dy(p), and sideways, where all of the pane is in view, those of dx(p) and -dx(p). All are
 * piecewise linear in p with one corner at most, so their maxima lie at the ends of the range or at the corner.
 */
export function overscanOf(drift: Drift, settle: number, passage: Passage, pane: Pane): Overscan {
  const { viewport } = passage;
  const lo = Math.min(Math.max(passage.lo, pane.top), passage.hi);
  const hi = Math.max(lo, Math.min(passage.hi, viewport + pane.top + pane.height));
  const within = (p: number) => Math.min(Math.max(p, lo), hi);
  const top = (p: number) => drift.y * (p - settle) - Math.max(0, p - viewport - pane.top);
  const bottom = (p: number) => Math.min(pane.height, p - pane.top) - pane.height - drift.y * (p - settle);
  const left = (p: number) => drift.x * (p - settle);
  return {
    top: Math.max(top(lo), top(within(viewport + pane.top)), top(hi)),
    right: Math.max(-left(lo), -left(hi)),
    bottom: Math.max(bottom(lo), bottom(within(pane.top + pane.height)), bottom(hi)),
    left: Math.max(left(lo), left(hi)),
  };
}
