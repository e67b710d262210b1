import {
  type AnyLayer,
  fillsScene,
  type GroupLayer,
  hasPane,
  isText,
  type KindSettings,
  statesOf,
} from "../core/index.ts";
import { lengthCss } from "./lengths.ts";
import type { Declarations } from "./tree.ts";

/** What clips a layer besides its scene: the scene that it fills, a pane, or nothing. */
const clipsOf = (layer: AnyLayer) =>
  new Set(
    isText(layer)
      ? []
      : statesOf(layer).map((state) => (fillsScene(state) ? "scene" : hasPane(state) ? "pane" : "nothing")),
  );

/** Whether a layer is clipped by other things under some of its rules. */
const switches = (layer: AnyLayer) => clipsOf(layer).size > 1;

/** Whether a layer has a box around it that is where it was placed: its pane, at some viewport at least. */
export const isBoxed = (layer: AnyLayer): boolean => switches(layer) || clipsOf(layer).has("pane");

/**
 * What tells a layer and its box by what it is clipped, where rules change that; `given` are the settings that a rule
 * names, all of them without one. --lumbit-clipped is 1 in a pane or a scene that it fills, and 0 elsewhere.
 */
export function paneCss(
  layer: AnyLayer,
  given: Pick<AnyLayer, "place"> & KindSettings,
  whole: boolean,
): { layer: Declarations; pane: Declarations } {
  if (!switches(layer)) return { layer: {}, pane: {} };
  const flag = (holds: boolean) => (holds ? 1 : 0);
  const own = whole || given.pane !== undefined;
  return {
    layer: {
      "--lumbit-placed": whole || given.place ? flag(given.place !== undefined) : undefined,
      "--lumbit-pane": own ? flag(given.pane === true) : undefined,
      "--lumbit-clipped": whole ? "calc(1 - var(--lumbit-placed) * (1 - var(--lumbit-pane)))" : undefined,
    },
    // What fills its scene the scene clips.
    pane: { "--lumbit-clip": own ? (given.pane ? "initial" : "visible") : undefined },
  };
}

/** The rounding of a layer that has a box: only where its box does not clip it. */
export const unlessPaned = (layer: AnyLayer, radius: string | undefined): string | undefined =>
  switches(layer) && radius !== undefined ? `calc(${radius} * (1 - var(--lumbit-clipped)))` : undefined;

/** A size of a layer that has a box: where its box does not clip it, it is as large as that. */
export const ifPaned = (layer: AnyLayer, size = "100%"): string =>
  switches(layer) && size !== "100%" ? `calc(100% + var(--lumbit-clipped) * (${size} - 100%))` : size;

/** The size of a group in its pane. */
export const groupSize = ({ size }: GroupLayer, base: AnyLayer): Declarations => ({
  width: ifPaned(base, lengthCss(size?.width, "x")),
  height: ifPaned(base, lengthCss(size?.height, "y")),
});
