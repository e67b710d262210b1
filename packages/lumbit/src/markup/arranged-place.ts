import { type AnyLayer, isFitContent, type PlacedAxis } from "../core/index.ts";
import { css, type Expression, print } from "./arithmetic.ts";
import { axesOf } from "./lengths.ts";
import { textPlace } from "./place.ts";
import type { Declarations } from "./tree.ts";

/** The place of a group that is as large as what is in it where it does not say. */
export function arrangedPlace(layer: AnyLayer): Declarations {
  const { x, y } = axesOf(layer.place ?? { center: "both" });
  const placed = textPlace(layer);
  return {
    ...placed,
    ...("max-width" in placed && { "max-width": print(roomOn(x)) }),
    ...(isFitContent(layer) && fitRows(layer, y.centred && !y.size)),
  };
}

/**
 * How high the cell of a group is that is as large as what is in it. WebKit takes what stands between two insets for as
 * high as they leave, though its height says otherwise: there it has to be no higher than what is in it.
 */
const fitRows = (layer: AnyLayer, isFree: boolean): Declarations =>
  isFree
    ? { "grid-template-rows": "auto", "align-content": "start" }
    : layer.rules
      ? { "grid-template-rows": "minmax(0, 1fr)", "align-content": "normal" }
      : {};

/** How much room there is for what keeps off the insets of an axis. */
const roomOn = ({ start = css.px(0), end = css.px(0), around }: PlacedAxis<Expression>) =>
  css.subtract(around, start, end);
