import type { Box } from "./box.ts";
import type { Viewport } from "./units.ts";

/** A moment of a passage: a range of the scroll-driven animation standard and a percentage of it. */
export type Moment = `${RangeName} ${number}%`;

export type RangeName = "cover" | "contain" | "entry" | "exit" | "entry-crossing" | "exit-crossing";

/** Splits a moment into the range's name and a share of it. */
export function parseMoment(moment: Moment): { range: RangeName; share: number } {
  const [range, percent] = moment.split(/\s+/);
  return { range: range as RangeName, share: Number.parseFloat(String(percent)) / 100 };
}

/**
 * The positions p at which a named range begins and ends for a box of height h in a viewport of height V, counted
 * from the moment its top touches the viewport's bottom (CSS Scroll-driven Animations, "view progress timeline ranges").
 */
export function rangeOf(range: RangeName, viewport: number, height: number): [start: number, end: number] {
  const [low, high] = [Math.min(viewport, height), Math.max(viewport, height)];
  switch (range) {
    case "cover":
      return [0, viewport + height];
    case "contain":
      return [low, high];
    case "entry":
      return [0, low];
    case "exit":
      return [high, viewport + height];
    case "entry-crossing":
      return [0, height];
    case "exit-crossing":
      return [viewport, viewport + height];
  }
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
  const { range, share } = parseMoment(moment);
  if (of === "page") return share * (scrollHeight - viewport.height) + viewport.height - scene.top;
  const [start, end] = rangeOf(range, viewport.height, of === "layer" ? box.height : scene.height);
  return start + share * (end - start) + (of === "layer" ? box.top : 0);
}
