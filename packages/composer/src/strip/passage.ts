import { type Length, type PageLayout, resolveLength, type Scene, type Viewport } from "lumbit/core";
import { shifted } from "../edit/place.ts";
import type { Moment } from "../stage/messages.ts";

/** The moment at a scroll position of a screen: of the scene in the middle of it. */
export function shareAt({ scenes, viewport, scrollHeight }: PageLayout, scroll: number): Moment | undefined {
  const within = Math.min(Math.max(scroll, 0), scrollHeight - viewport.height);
  const middle = within + viewport.height / 2;
  const scene = scenes.findLast(({ top }) => top <= middle) ?? scenes[0];
  if (!scene) return undefined;
  const { name, top, height, passage } = scene;
  return { scene: name, share: (within - top + viewport.height) / (viewport.height + height + passage.hold) };
}

/** No scene is made lower than this, in px. */
const lowest = 40;

/** A height of a scene that is so many px more on a screen, in the unit that it is written in; one that its content gives is in `vh` from now on. */
export function resizedHeight(
  written: Scene["height"],
  height: number,
  by: number,
  viewport: Viewport,
): Length {
  const from = (
    written === undefined || written === "auto" ? `${(100 * height) / viewport.height}vh` : written
  ) as Length;
  const now = resolveLength(from, { viewport, percent: 0 });
  return rounded(shifted(from, Math.max(by, lowest - now), viewport.height, viewport));
}

/** Heights are whole numbers of their unit, but for those in rem. */
const rounded = (length: Length): Length =>
  String(length).replace(
    /^([\d.]+)(px|\w*v[hw])$/,
    (_, value, unit) => `${Math.round(Number(value))}${unit}`,
  ) as Length;
