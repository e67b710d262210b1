import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { Box, Size } from "./box.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

type Start<Inset extends string, Size extends string> =
  | (Partial<Record<Inset | Size, Length>> & { [K in Opposite<Inset>]?: never })
  | (Record<Opposite<Inset>, Length> & Partial<Record<Size, Length>> & { [K in Inset]?: never })
  | (Record<Inset | Opposite<Inset>, Length> & { [K in Size]?: never });

type Opposite<Inset extends string> = Inset extends "left" ? "right" : "bottom";

type Centred<Inset extends string, Size extends string> = Partial<Record<Size, Length>> & {
  [K in Inset | Opposite<Inset>]?: never;
};

type AlongX = Start<"left", "width">;

type AlongY = Start<"top", "height">;

/** Where a layer stands at the settle moment, against the box around it, in CSS inset and size names. */
export type Place =
  | ({ center?: never } & AlongX & AlongY)
  | ({ center: "x" } & Centred<"left", "width"> & AlongY)
  | ({ center: "y" } & AlongX & Centred<"top", "height">)
  | ({ center: "both" } & Centred<"left", "width"> & Centred<"top", "height">);

/** Whether a place has two insets on an axis: what stands there is as large as they leave. */
export const isBetween = (place: Place, axis: "x" | "y"): boolean =>
  axis === "x"
    ? place.left !== undefined && place.right !== undefined
    : place.top !== undefined && place.bottom !== undefined;

/** Whether a place says how large something is on an axis. */
export const saysSize = (place: Place, axis: "x" | "y"): boolean =>
  (axis === "x" ? place.width : place.height) !== undefined || isBetween(place, axis);

/** How large a layer is by itself: the caller measured it, or estimated it. Takes the width it may use, in px. */
export type NaturalSize = (availableWidth: number) => Size;

/** What a layer's place is resolved against. */
export interface PlaceContext {
  viewport: Viewport;
  /** The box around it: its scene, or its group. */
  around: Size;
  natural: NaturalSize;
  /** A picture keeps its proportions and may be wider than its scene; a text wraps within it. */
  kind: "image" | "text";
  maxWidth?: Length | undefined;
  /** In a row: how many px of it there are, for what has no width of its own. */
  within?: number | undefined;
}

/** One axis of a place: where a box begins, where it ends, its size, and how large the box around it is. */
export interface PlacedAxis<T> {
  start: T | undefined;
  end: T | undefined;
  size: T | undefined;
  centred: boolean;
  around: T;
}

/** The axes of a place in px or in CSS: two insets give the size between them. */
export function placedAxes<T>(
  a: Arithmetic<T>,
  place: Place,
  resolve: (length: Length, axis: "x" | "y") => T,
  around: { width: T; height: T },
): { x: PlacedAxis<T>; y: PlacedAxis<T> } {
  const axis = (
    name: "x" | "y",
    around: T,
    lengths: readonly [start?: Length, end?: Length, size?: Length],
  ): PlacedAxis<T> => {
    const [start, end, size] = lengths.map((length) =>
      length === undefined ? undefined : resolve(length, name),
    );
    const between =
      start === undefined || end === undefined ? undefined : a.max(a.px(0), a.subtract(around, start, end));
    return {
      start,
      end,
      size: size ?? between,
      centred: place.center === name || place.center === "both",
      around,
    };
  };
  return {
    x: axis("x", around.width, [place.left, place.right, place.width]),
    y: axis("y", around.height, [place.top, place.bottom, place.height]),
  };
}

/** Where a box of a size begins on an axis: at its start inset, else against its end inset, else at the edge around. */
export function startOn<T>(a: Arithmetic<T>, { start, end, centred, around }: PlacedAxis<T>, size: T): T {
  if (centred) return a.divide(a.subtract(around, size), a.number(2));
  return start ?? (end === undefined ? a.px(0) : a.subtract(around, end, size));
}

/** The size of a picture, which keeps its proportions where one of its sides is not said, and its own where neither is. */
export function pictureSize<T>(
  a: Arithmetic<T>,
  width: T | undefined,
  height: T | undefined,
  natural: { width: T; ratio: T },
): { width: T; height: T } {
  const wide = width ?? (height === undefined ? natural.width : a.multiply(height, natural.ratio));
  return { width: wide, height: height ?? a.divide(wide, natural.ratio) };
}

/** The box of a layer at the settle moment, in px against the top left corner of the box around it. */
export function placedBox(place: Place, context: PlaceContext): Box {
  const { viewport, around, natural, kind } = context;
  const px = (length: Length, percent: number) => resolveLength(length, { viewport, percent });
  const { x, y } = placedAxes(
    numbers,
    place,
    (length, axis) => px(length, axis === "x" ? around.width : around.height),
    around,
  );
  const widest =
    context.maxWidth === undefined ? Number.POSITIVE_INFINITY : px(context.maxWidth, around.width);
  const asked = x.size === undefined ? undefined : Math.min(x.size, widest);
  const room = context.within ?? Math.max(0, around.width - (x.start ?? 0) - (x.end ?? 0));
  const available = asked ?? Math.min(widest, room);
  const own = natural(available);
  const { width, height } =
    kind === "image"
      ? pictureSize(numbers, asked, y.size, { width: own.width, ratio: own.width / own.height })
      : { width: asked ?? own.width, height: y.size ?? own.height };
  const left = startOn(numbers, x, width);
  return {
    // A text too wide for its scene stays at the start edge, where reading begins, as CSS auto margins have it.
    left: x.centred && kind === "text" && asked === undefined ? Math.max(0, left) : left,
    top: startOn(numbers, y, height),
    width,
    height,
  };
}
