import { type Length, type Place, parseLength } from "../core/index.ts";
import { type Declarations, round } from "./tree.ts";

/** One axis of the box around a layer: its percentages are units of that box. */
type Axis = "x" | "y";

/** A length that means the same in every property: percentages in units of the box around, a size container. */
export function lengthCss(length: Length | undefined, axis: Axis): string | undefined {
  const parsed = length === undefined ? undefined : parseLength(length);
  return (
    parsed && `${round(parsed.value)}${parsed.unit === "%" ? (axis === "x" ? "cqw" : "cqh") : parsed.unit}`
  );
}

/** An expression as a value: sums and products need `calc()`. */
export const calc = (expression: string): string =>
  /[ (]/.test(expression) ? `calc(${expression})` : expression;

/** One axis of a place as expressions: where the layer begins, where it ends, and its size. */
export interface PlacedAxis {
  start: string | undefined;
  end: string | undefined;
  size: string | undefined;
  centred: boolean;
}

export function placedAxis(place: Place, axis: Axis): PlacedAxis {
  const [start, end, size] =
    axis === "x" ? [place.left, place.right, place.width] : [place.top, place.bottom, place.height];
  const [from, to] = [lengthCss(start, axis), lengthCss(end, axis)];
  const between = from && to ? `max(0px, ${whole(axis)} - ${from} - ${to})` : undefined;
  const centred = place.center === axis || place.center === "both";
  return { start: from, end: to, size: lengthCss(size, axis) ?? between, centred };
}

/** Where a box of a known size begins on an axis. */
export function startOf({ start, end, centred }: PlacedAxis, size: string, axis: Axis): string {
  if (centred) return `(${whole(axis)} - ${size}) / 2`;
  return start ?? (end === undefined ? "0px" : `${whole(axis)} - ${end} - ${size}`);
}

/** The declarations of an axis for a box of a known size. */
export function sizedAxis(placed: PlacedAxis, size: string, axis: Axis): Declarations {
  const [start, end, extent] = names(axis);
  return { [start]: calc(startOf(placed, size, axis)), [end]: "auto", [extent]: calc(size) };
}

/** The declarations of an axis for a box that is as large as its content. */
export function contentAxis({ start, end, centred }: PlacedAxis, axis: Axis): Declarations {
  const [startName, endName, extent] = names(axis);
  const margin = axis === "x" ? "margin-inline" : "margin-block";
  if (centred) return { [startName]: 0, [endName]: 0, [extent]: "fit-content", [margin]: "auto" };
  const atEnd = start === undefined && end !== undefined;
  return {
    [startName]: atEnd ? "auto" : (start ?? 0),
    [endName]: atEnd ? end : "auto",
    [extent]: "auto",
    [margin]: 0,
  };
}

const names = (axis: Axis) =>
  axis === "x" ? (["left", "right", "width"] as const) : (["top", "bottom", "height"] as const);
const whole = (axis: Axis) => (axis === "x" ? "100cqw" : "100cqh");
