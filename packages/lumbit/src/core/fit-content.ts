import { numbers } from "./arithmetic.ts";
import { isArranged } from "./arranged.ts";
import type { Box, Size } from "./box.ts";
import { isText } from "./kinds.ts";
import type { AnyLayer } from "./layer.ts";
import { type Place, type PlacedAxis, startOn } from "./place.ts";

/** A layer in a group that is as large as what is in it: on each axis where it is placed, in px. */
export interface FitMember {
  x: FitAxis;
  y: FitAxis;
}

/** One axis of its place, and how large it is by itself: nothing where it is stretched between two insets. */
export interface FitAxis extends PlacedAxis<number> {
  needs: number;
}

/** Where a layer stands in such a group: one without a place fills it, one that has a size by itself is in the middle. */
export const placeInFit = (layer: AnyLayer): Place =>
  layer.place ??
  (isText(layer) || isArranged(layer) ? { center: "both" } : { left: 0, right: 0, top: 0, bottom: 0 });

/** How large a group has to be for what is in it, insets included, when it may be so many px wide. */
export const fitSize = (members: readonly FitMember[], available: number): Size => ({
  width: Math.min(available, Math.max(0, ...members.map(({ x }) => spaceOf(x) + x.needs))),
  height: Math.max(0, ...members.map(({ y }) => spaceOf(y) + y.needs)),
});

/** The box of a layer in such a group, once that has its size. */
export function fitBox({ x, y }: FitMember, { width, height }: Size): Box {
  const [across, down] = [sizeOn(x, width), sizeOn(y, height)];
  return {
    left: startOn(numbers, { ...x, around: width }, across),
    top: startOn(numbers, { ...y, around: height }, down),
    width: across,
    height: down,
  };
}

/** How much of an axis is kept free by the insets on it. */
export const spaceOf = ({ start = 0, end = 0 }: Pick<FitAxis, "start" | "end">): number => start + end;

/** Whether a layer is stretched between two insets. */
export const stretches = ({ start, end }: Pick<PlacedAxis<unknown>, "start" | "end">): boolean =>
  start !== undefined && end !== undefined;

const sizeOn = (axis: FitAxis, whole: number): number =>
  stretches(axis) ? Math.max(0, whole - spaceOf(axis)) : axis.needs;
