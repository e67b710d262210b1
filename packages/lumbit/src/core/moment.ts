import type { Moment, RangeName } from "../settings/index.ts";
import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { Box } from "./box.ts";
import type { Viewport } from "./units.ts";

export type { Moment, RangeName } from "../settings/index.ts";

/** Splits a moment into the range's name and a share of it. */
export function parseMoment(moment: Moment): { range: RangeName; share: number } {
  const [range, percent] = moment.split(/\s+/);
  return { range: range as RangeName, share: Number.parseFloat(String(percent)) / 100 };
}

/**
 * The positions p at which a named range begins and ends for a box of height h in a viewport of height V, counted
 * from the moment its top touches the viewport's bottom (CSS Scroll-driven Animations, "view progress timeline ranges").
 */
export function rangeIn<T>(a: Arithmetic<T>, range: RangeName, viewport: T, height: T): [start: T, end: T] {
  const [low, high] = [a.min(viewport, height), a.max(viewport, height)];
  const whole = a.add(viewport, height);
  switch (range) {
    case "cover":
      return [a.px(0), whole];
    case "contain":
      return [low, high];
    case "entry":
      return [a.px(0), low];
    case "exit":
      return [high, whole];
    case "entry-crossing":
      return [a.px(0), height];
    case "exit-crossing":
      return [viewport, whole];
  }
}

export const rangeOf = (range: RangeName, viewport: number, height: number): [start: number, end: number] =>
  rangeIn(numbers, range, viewport, height);

/** The position of a moment in the passage of a box of height h, counted as in `rangeIn`. */
export function positionIn<T>(a: Arithmetic<T>, moment: Moment, viewport: T, height: T): T {
  const { range, share } = parseMoment(moment);
  const [start, end] = rangeIn(a, range, viewport, height);
  return a.add(start, a.multiply(a.number(share), a.subtract(end, start)));
}

/** Whose passage the moments of a ramp or a cue belong to. */
export type PassageOf = "scene" | "layer" | "page";

/** What a moment is resolved against: all in px. */
export interface MomentContext {
  viewport: Viewport;
  /** The height of the scene with what it holds, and its distance from the top of the page. */
  scene: { height: number; top: number };
  scrollHeight: number;
  /** The layer's box against its scene. */
  box: Box;
}

/** The position of a moment in the scene's passage, in px. */
export function momentAt(
  moment: Moment,
  of: PassageOf,
  { viewport, scene, scrollHeight, box }: MomentContext,
): number {
  if (of === "page")
    return parseMoment(moment).share * (scrollHeight - viewport.height) + viewport.height - scene.top;
  return of === "layer"
    ? box.top + positionIn(numbers, moment, viewport.height, box.height)
    : positionIn(numbers, moment, viewport.height, scene.height);
}
