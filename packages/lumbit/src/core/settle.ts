import type { Passage } from "./passage.ts";

/** When every layer of a scene stands where it was placed; a number is a share (0..1) of the passage. */
export type Settle = "auto" | "enter" | "top" | "middle" | "bottom" | "leave" | number;

/**
 * The position p0 in the passage, in px, at which every layer stands exactly where it was placed.
 *
 * `auto`: a scene in view when the page is at its top settles there, so what loads is what was composed; one
 * whose middle cannot be reached settles at the nearest reachable moment; any other settles at its middle.
 */
export function settleAt(settle: Settle, passage: Passage): number {
  const { viewport, scene, length, lo, hi } = passage;
  switch (settle) {
    case "enter":
      return 0;
    case "top":
      return viewport;
    case "middle":
      return length / 2;
    case "bottom":
      return scene;
    case "leave":
      return length;
    case "auto":
      return lo > 0 ? lo : Math.min(length / 2, hi);
    default:
      return settle * length;
  }
}
