import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { Passage } from "./passage.ts";

/** When every layer of a scene stands where it was placed; a number is a share (0..1) of the passage. */
export type Settle = "auto" | "enter" | "top" | "middle" | "bottom" | "leave" | number;

/**
 * Where `auto` lies: a scene of which the larger part, or more than half a screen, is in view when the page is at its top
 * settles there, so what loads is what was composed; one whose middle cannot be reached settles at the nearest reachable
 * moment; any other settles at its middle.
 */
export function automaticSettle<T>(
  a: Arithmetic<T>,
  { viewport, scene, length, lo, hi }: Pick<Passage<T>, "viewport" | "scene" | "length" | "lo" | "hi">,
): T {
  const middle = a.divide(length, a.number(2));
  const seen = a.subtract(lo, a.divide(a.min(viewport, scene), a.number(2)));
  return a.clamp(lo, a.subtract(middle, a.where(seen, middle)), hi);
}

/** The position p0 in the passage, in px, at which every layer stands exactly where it was placed. */
export function settleOf<T>(
  a: Arithmetic<T>,
  settle: Settle,
  {
    viewport,
    scene,
    length,
    automatic,
  }: Pick<Passage<T>, "viewport" | "scene" | "length"> & { automatic: T },
): T {
  switch (settle) {
    case "enter":
      return a.px(0);
    case "top":
      return viewport;
    case "middle":
      return a.divide(length, a.number(2));
    case "bottom":
      return scene;
    case "leave":
      return length;
    case "auto":
      return automatic;
    default:
      return a.multiply(a.number(settle), length);
  }
}

/** The settle moment of a passage, in px. */
export const settleAt = (settle: Settle, passage: Passage): number =>
  settleOf(numbers, settle, { ...passage, automatic: automaticSettle(numbers, passage) });
