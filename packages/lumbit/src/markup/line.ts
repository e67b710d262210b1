import { fittedWidth, statesOf, type TextLayer } from "../core/index.ts";
import type { Given } from "./context.ts";
import type { Declarations, StyleRule } from "./tree.ts";

/** Whether a text stands on as few lines as it says. */
const isLine = (layer: TextLayer) =>
  layer.wrap === false || layer.repeat !== undefined || fittedWidth(layer) !== undefined;

export function lineCss(layer: TextLayer, given: Given, base: TextLayer): Declarations {
  const line = isLine(layer);
  if (given === layer ? !line : line === isLine(base)) return {};
  return line
    ? { "white-space": "pre", "overflow-wrap": "normal" }
    : { "white-space": "pre-line", "overflow-wrap": "anywhere" };
}

/** How often a text stands in its row at most. */
export const mostRepeats = (layer: TextLayer): number =>
  Math.max(...statesOf(layer).map(({ repeat = 1 }) => repeat));

/** Which copies of a repeated text are there, where its rules change that. */
export function copyRules(
  layer: TextLayer,
  given: Given,
  selector: string,
  media: string | undefined,
): StyleRule[] {
  const { repeat = given === layer ? 1 : undefined } = given;
  if (repeat === undefined || (given === layer && repeat === mostRepeats(layer))) return [];
  return [
    { selector: `${selector} > span:nth-child(n)`, media, declarations: { display: "inline" } },
    { selector: `${selector} > span:nth-child(n + ${repeat})`, media, declarations: { display: "none" } },
  ];
}
