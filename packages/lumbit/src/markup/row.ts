import { type AnyLayer, fittedWidth, isArranged, isText, type Row } from "../core/index.ts";
import type { Given } from "./context.ts";
import { lengthCss } from "./lengths.ts";
import type { Declarations } from "./tree.ts";

const edges = { start: "flex-start", middle: "center", end: "flex-end", stretch: "stretch" } as const;

/** How the layers of a group stand beside each other. */
export const arrangedCss = ({ along, gap, align = "start", wrap }: Row): Declarations => ({
  "flex-flow": `${along === "y" ? "column" : "row"}${wrap ? " wrap" : ""}`,
  gap: lengthCss(gap ?? "0px", "x"),
  "align-items": edges[align],
  // What is below each other is as wide as it may be by itself, or is stretched.
  "--lumbit-member": along === "y" ? "auto" : "fit-content",
});

/** Whether settings that are given say how large a layer is. */
export const changesSize = (layer: AnyLayer, given: Given): boolean =>
  given === layer ||
  given.place !== undefined ||
  given.maxWidth !== undefined ||
  given.fontSize !== undefined;

/** The sizes of a layer in a row, where settings of them are given: it has no other place of its own. */
export function memberSize(layer: AnyLayer, given: Given): Declarations {
  if (!changesSize(layer, given)) return {};
  const { width, height } = layer.place ?? {};
  const fitted = isText(layer) ? fittedWidth(layer) : undefined;
  return {
    width: lengthCss(fitted ?? width, "x") ?? "var(--lumbit-member)",
    height: lengthCss(height, "y") ?? "auto",
    "max-width": isArranged(layer) ? "100%" : lengthCss(layer.maxWidth, "x"),
  };
}
