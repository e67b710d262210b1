import { type Length, type Place, type PlacedAxis, placedAxes, startOn, termsOf } from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import { type Declarations, round } from "./tree.ts";

/** One axis of the box around a layer: its percentages are units of that box. */
type Axis = "x" | "y";

/** A length that means the same in every property: percentages in units of the box around, a size container. */
export function lengthCss(length: Length | undefined, axis: Axis): string | undefined {
  const terms = length === undefined ? undefined : termsOf(length);
  const printed = terms?.map(
    ({ value, unit }) => `${round(value)}${unit === "%" ? (axis === "x" ? "cqw" : "cqh") : unit}`,
  );
  return printed && (printed.length === 1 ? printed[0] : `calc(${printed.join(" + ")})`);
}

/** A place as expressions, against the box around, a size container. */
export const axesOf = (place: Place) =>
  placedAxes(css, place, (length, axis) => value(lengthCss(length, axis) ?? "0px"), {
    width: value(whole("x")),
    height: value(whole("y")),
  });

/** The declarations of an axis for a box of a known size. */
export function sizedAxis(placed: PlacedAxis<Expression>, size: Expression, axis: Axis): Declarations {
  const [start, end, extent] = names(axis);
  return { [start]: print(startOn(css, placed, size)), [end]: "auto", [extent]: print(size) };
}

/** The declarations of an axis for a box that is as large as its content. */
export function contentAxis({ start, end, centred }: PlacedAxis<Expression>, axis: Axis): Declarations {
  const [startName, endName, extent] = names(axis);
  const margin = axis === "x" ? "margin-inline" : "margin-block";
  if (centred) return { [startName]: 0, [endName]: 0, [extent]: "fit-content", [margin]: "auto" };
  const atEnd = start === undefined && end !== undefined;
  return {
    [startName]: atEnd ? "auto" : (start?.text ?? 0),
    [endName]: atEnd ? end.text : "auto",
    [extent]: "auto",
    [margin]: 0,
  };
}

const names = (axis: Axis) =>
  axis === "x" ? (["left", "right", "width"] as const) : (["top", "bottom", "height"] as const);
const whole = (axis: Axis) => (axis === "x" ? "100cqw" : "100cqh");
