import type { Drift } from "./drift.ts";
import { type Passage, passedAt } from "./passage.ts";

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
 * With s(p) the distance of the scene's top above the viewport's, the visible part of a pane of height h at distance
 * t from the scene's top is [max(0, s - t), min(h, V + s - t)], and the picture has moved d(p) = k (p - p0). It must
 * cover that part at every reachable p at which the pane is in view, so the top overscan is the maximum of
 * dy - max(0, s - t), the bottom overscan that of min(h, V + s - t) - h - dy, and sideways, where all of the pane is
 * in view, those of dx and -dx. All are piecewise linear in p, so their maxima lie at the ends of the range or at a
 * corner: where an edge of the pane crosses one of the viewport, or where a hold begins or ends.
 */
export function overscanOf(drift: Drift, settle: number, passage: Passage, pane: Pane): Overscan {
  const { viewport, hold } = passage;
  const end = pane.top + pane.height;
  // What lies more than a viewport below the scene's top comes into view only after the hold.
  const lo = Math.min(Math.max(passage.lo, pane.top + (pane.top > viewport ? hold : 0)), passage.hi);
  const hi = Math.max(lo, Math.min(passage.hi, viewport + hold + end));
  const within = (p: number) => Math.min(Math.max(p, lo), hi);
  const top = (p: number) => drift.y * (p - settle) - Math.max(0, passedAt(passage, p) - pane.top);
  const bottom = (p: number) =>
    Math.min(pane.height, viewport + passedAt(passage, p) - pane.top) - pane.height - drift.y * (p - settle);
  const left = (p: number) => drift.x * (p - settle);
  const largest = (edge: (p: number) => number, ...corners: number[]) =>
    Math.max(edge(lo), ...corners.map((p) => edge(within(p))), edge(hi));
  return {
    top: largest(top, viewport + Math.min(pane.top, 0), viewport + hold + Math.max(pane.top, 0)),
    right: largest((p) => -left(p)),
    bottom: largest(bottom, Math.min(end, viewport), Math.max(end, viewport) + hold),
    left: largest(left),
  };
}
