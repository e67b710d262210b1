import { type Arithmetic, numbers } from "./arithmetic.ts";
import { type Drift, displacement, swing } from "./drift.ts";
import { type Passage, passed } from "./passage.ts";

/** How far a picture reaches past its pane, in px. Negative: the pane's edge is never seen, the picture may end short of it. */
export interface Overscan<T = number> {
  top: T;
  right: T;
  bottom: T;
  left: T;
}

/** A pane in its scene: the distance of its top from the scene's, and its height, in px. */
export interface Pane<T = number> {
  top: T;
  height: T;
}

/** The positions of the passage between which any of a pane is in view. */
export function paneRange<T>(
  a: Arithmetic<T>,
  { viewport, hold, lo, hi }: Pick<Passage<T>, "viewport" | "hold" | "lo" | "hi">,
  pane: Pane<T>,
): { first: T; last: T } {
  // What lies more than a viewport below the scene's top comes into view only after the hold.
  const entered = a.add(pane.top, a.where(a.subtract(pane.top, viewport), hold));
  const first = a.min(a.max(lo, entered), hi);
  return { first, last: a.max(first, a.min(hi, a.add(viewport, hold, pane.top, pane.height))) };
}

/** What the overscan of a picture depends on. */
export interface OverscanInput<T = number> {
  drift: Drift<T>;
  settle: T;
  passage: Pick<Passage<T>, "viewport" | "hold">;
  pane: Pane<T>;
  /** The positions of the passage between which any of the pane is in view. */
  range: { first: T; last: T };
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
export function overscan<T>(
  a: Arithmetic<T>,
  { drift, settle, passage, pane, range }: OverscanInput<T>,
): Overscan<T> {
  const { viewport, hold } = passage;
  const end = a.add(pane.top, pane.height);
  const x = (p: T) => displacement(a, drift.x, p, settle);
  const y = (p: T) => displacement(a, drift.y, p, settle);
  const top = (p: T) => a.subtract(y(p), a.max(a.px(0), a.subtract(passed(a, passage, p), pane.top)));
  const bottom = (p: T) =>
    a.subtract(
      a.min(pane.height, a.subtract(a.add(viewport, passed(a, passage, p)), pane.top)),
      pane.height,
      y(p),
    );
  const largest = (edge: (p: T) => T, ...corners: T[]) =>
    a.max(
      edge(range.first),
      ...corners.map((p) => edge(a.clamp(range.first, p, range.last))),
      edge(range.last),
    );
  return {
    top: largest(
      top,
      a.add(viewport, a.min(pane.top, a.px(0))),
      a.add(viewport, hold, a.max(pane.top, a.px(0))),
    ),
    right: largest((p) => a.multiply(a.number(-1), x(p))),
    bottom: largest(bottom, a.min(end, viewport), a.add(a.max(end, viewport), hold)),
    left: largest(x),
  };
}

/**
 * How far the ground of a row reaches past its pane on both sides, across and down: as far as it drifts at most over the
 * reachable passage. Its pane may be as large as what is in it, which is not known beforehand, and this is enough for any.
 */
export function groundReach<T>(
  a: Arithmetic<T>,
  { drift, settle, lo, hi }: Pick<OverscanInput<T>, "drift" | "settle"> & Pick<Passage<T>, "lo" | "hi">,
): Drift<T> {
  const longest = a.max(a.subtract(settle, lo), a.subtract(hi, settle));
  return { x: swing(a, drift.x, longest), y: swing(a, drift.y, longest) };
}

/** The overscan of a picture in a pane of a scene with a passage, in px. */
export const overscanOf = (drift: Drift, settle: number, passage: Passage, pane: Pane): Overscan =>
  overscan(numbers, { drift, settle, passage, pane, range: paneRange(numbers, passage, pane) });

/**
 * A picture reaches a pixel farther than its overscan on every side. Where an edge lies within a pixel a browser paints
 * that pixel half, and what is behind shines through; `test/edges.browser.test.ts` finds it without this.
 */
export const edge = 1;

/** The box of a picture around its pane: its overscan on every side, and so much besides. */
export const reach = <T>(
  a: Arithmetic<T>,
  pane: { left: T; top: T; width: T; height: T },
  over: Overscan<T>,
  besides: T,
) => ({
  left: a.subtract(pane.left, over.left, besides),
  top: a.subtract(pane.top, over.top, besides),
  width: a.add(pane.width, over.left, besides, over.right, besides),
  height: a.add(pane.height, over.top, besides, over.bottom, besides),
});
