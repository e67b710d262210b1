import { type AnyLayer, fittedWidth, isRow, isText, type Row } from "../core/index.ts";
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

/** The sizes of a layer in a row, where settings of them are given: it has no other place of its own. */
export function memberSize(layer: AnyLayer, given: Given): Declarations {
  if (given !== layer && !given.place && given.maxWidth === undefined && given.fontSize === undefined)
    return {};
  const { width, height } = layer.place ?? {};
  const fitted = isText(layer) ? fittedWidth(layer) : undefined;
  return {
    width: lengthCss(fitted ?? width, "x") ?? "var(--lumbit-member)",
    height: lengthCss(height, "y") ?? "auto",
    "max-width": isRow(layer) ? "100%" : lengthCss(layer.maxWidth, "x"),
  };
}
