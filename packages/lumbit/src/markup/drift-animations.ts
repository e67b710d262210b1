import { driftRange, ownRange, ownTimeline } from "./timelines.css.ts";
import type { Declarations } from "./tree.ts";

/** An animation of an element that the scroll position plays. */
interface Played {
  text: string;
  timeline: string;
  range: string;
  composition: string;
}

/** What plays a layer's drift, and `more` on top of it; `follows`: on its own way. */
export function driftAnimations(
  drift: readonly string[],
  follows = false,
  more: readonly Played[] = [],
): Declarations {
  if (drift.length + more.length === 0) return { animation: "none" };
  const animations = [
    ...drift.map((name) => ({
      text: `${name} linear both`,
      ...(follows && name === "lumbit-drift"
        ? { timeline: ownTimeline, range: ownRange }
        : { timeline: "--lumbit-scene", range: driftRange }),
      composition: "replace",
    })),
    ...more,
  ];
  const list = (key: keyof Played) => animations.map((animation) => animation[key]).join(", ");
  return {
    animation: list("text"),
    "animation-duration": "auto",
    "animation-timeline": list("timeline"),
    "animation-range": list("range"),
    "animation-composition": list("composition"),
  };
}
