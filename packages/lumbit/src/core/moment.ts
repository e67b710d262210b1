import type { Moment, RangeName } from "../settings/index.ts";
import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { Box } from "./box.ts";
import type { Viewport } from "./units.ts";

export type { Moment, RangeName } from "../settings/index.ts";

/** A moment in its parts: the range's name, and how far into it, as a share of it or as a length. */
export interface ParsedMoment {
  range: RangeName;
  share: number;
  past?: { value: number; unit: "px" | "vh" };
}

export function parseMoment(moment: Moment): ParsedMoment {
  const [range = "", far = ""] = moment.split(/\s+/);
  const value = Number.parseFloat(far);
  return far.endsWith("%")
    ? { range: range as RangeName, share: value / 100 }
    : { range: range as RangeName, share: 0, past: { value, unit: far.endsWith("vh") ? "vh" : "px" } };
}

/** How far a moment is past the one that its share says, in px. */
const pastOf = <T>(a: Arithmetic<T>, { past }: ParsedMoment, viewport: T): T =>
  past?.unit === "vh" ? a.multiply(a.number(past.value / 100), viewport) : a.px(past?.value ?? 0);

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
  const parsed = parseMoment(moment);
  const [start, end] = rangeIn(a, parsed.range, viewport, height);
  return parsed.past
    ? a.add(start, pastOf(a, parsed, viewport))
    : a.add(start, a.multiply(a.number(parsed.share), a.subtract(end, start)));
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
  if (of === "page") {
    const parsed = parseMoment(moment);
    const scrolled =
      parsed.share * (scrollHeight - viewport.height) + pastOf(numbers, parsed, viewport.height);
    return scrolled + viewport.height - scene.top;
  }
  return of === "layer"
    ? box.top + positionIn(numbers, moment, viewport.height, box.height)
    : positionIn(numbers, moment, viewport.height, scene.height);
}
