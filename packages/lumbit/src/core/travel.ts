import type { Box } from "./box.ts";
import type { Length, Moment, RangeName, Travel } from "./page.ts";
import { resolveLength, type Viewport } from "./units.ts";

/** A travel in px: offsets at its start and end, and the positions in the scene's passage at which these are. */
export interface ResolvedTravel {
  from: { x: number; y: number };
  to: { x: number; y: number };
  start: number;
  end: number;
}

/** What a travel is resolved against: all in px. */
export interface TravelContext {
  viewport: Viewport;
  /** The height of the scene, and its distance from the top of the page. */
  scene: { height: number; top: number };
  scrollHeight: number;
  /** The layer's box against its scene. */
  box: Box;
}

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

/** A travel in px and positions of the scene's passage. */
export function resolveTravel(
  travel: Travel,
  { viewport, scene, scrollHeight, box }: TravelContext,
): ResolvedTravel {
  const px = (length: Length, percent: number) => resolveLength(length, { viewport, percent });
  const [x, y] = [travel.x ?? ([0, 0] as const), travel.y ?? ([0, 0] as const)];
  const over = travel.over ?? (["cover 0%", "cover 100%"] as const);
  const at = (moment: Moment) => {
    const { range, share } = parseMoment(moment);
    if (travel.of === "page") return share * (scrollHeight - viewport.height) + viewport.height - scene.top;
    const [start, end] = rangeOf(range, viewport.height, travel.of === "layer" ? box.height : scene.height);
    return start + share * (end - start) + (travel.of === "layer" ? box.top : 0);
  };
  return {
    from: { x: px(x[0], box.width), y: px(y[0], box.height) },
    to: { x: px(x[1], box.width), y: px(y[1], box.height) },
    start: at(over[0]),
    end: at(over[1]),
  };
}

/** The offset at position p of the scene's passage. */
export function travelAt({ from, to, start, end }: ResolvedTravel, p: number): { x: number; y: number } {
  const share = end === start ? (p >= end ? 1 : 0) : Math.min(Math.max((p - start) / (end - start), 0), 1);
  return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
}
