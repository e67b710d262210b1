import {
  type AnyLayer,
  fittedWidth,
  isArranged,
  isText,
  type PlacedAxis,
  placeInFit,
  stretches,
} from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import type { LayerContext } from "./context.ts";
import { axesOf, lengthCss } from "./lengths.ts";
import { boxSize } from "./place.ts";
import type { Declarations } from "./tree.ts";

type Axis = PlacedAxis<Expression>;

/** Where a layer stands in a group that is as large as what is in it: off its edges by insets, or stretched between them. */
export function fitPlace(layer: AnyLayer, base: AnyLayer, context: LayerContext): Declarations {
  const place = placeInFit(layer);
  const { x, y } = axesOf(place);
  const insets = { ...insetsOf(x, "x"), ...insetsOf(y, "y") };
  if (isText(layer) || isArranged(layer)) {
    const asked = (isText(layer) ? fittedWidth(layer) : undefined) ?? place.width;
    return {
      ...insets,
      width: lengthCss(asked, "x") ?? "auto",
      height: lengthCss(place.height, "y") ?? "auto",
      "max-width": isText(layer)
        ? lengthCss(layer.maxWidth, "x")
        : asked === undefined
          ? print(roomOn(x))
          : undefined,
    };
  }
  const { width, height } = boxSize(layer, { x: alone(x), y: alone(y) }, base, context);
  return { ...insets, ...sizeOf(x, width, "width"), ...sizeOf(y, height, "height") };
}

/** What is between the insets of an axis says nothing of how large a layer is by itself. */
const alone = (axis: Axis): Axis => (stretches(axis) ? { ...axis, size: undefined } : axis);

/** How much of its group an axis leaves to a layer. */
const roomOn = ({ start = css.px(0), end = css.px(0) }: Axis): Expression =>
  css.subtract(value("100%"), start, end);

/** What is stretched asks for no room: the percentage counts only once the group has its size. */
const sizeOf = (axis: Axis, size: Expression, name: "width" | "height"): Declarations =>
  stretches(axis)
    ? { [name]: 0, [`min-${name}`]: print(css.max(css.px(0), roomOn(axis))) }
    : { [name]: print(size), [`min-${name}`]: 0 };

function insetsOf({ start, end, centred }: Axis, axis: "x" | "y"): Declarations {
  const [align, before, after] =
    axis === "x"
      ? (["justify-self", "margin-left", "margin-right"] as const)
      : (["align-self", "margin-top", "margin-bottom"] as const);
  return {
    [align]: centred ? "center" : stretches({ start, end }) ? "stretch" : end ? "end" : "start",
    [before]: start ? print(start) : 0,
    [after]: end ? print(end) : 0,
  };
}
