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
}

interface Axis {
  start: number | undefined;
  end: number | undefined;
  size: number | undefined;
  extent: number;
}

/** The box of a layer at the settle moment, in px against the top left corner of the box around it. */
export function placedBox(place: Place, context: PlaceContext): Box {
  const { viewport, around, natural, kind } = context;
  const axis = (start?: Length, end?: Length, size?: Length, extent = 0): Axis => {
    const px = (length?: Length) =>
      length === undefined ? undefined : resolveLength(length, { viewport, percent: extent });
    const axis = { start: px(start), end: px(end), size: px(size), extent };
    if (axis.size === undefined && axis.start !== undefined && axis.end !== undefined)
      axis.size = Math.max(0, extent - axis.start - axis.end);
    return axis;
  };
  const x = axis(place.left, place.right, place.width, around.width);
  const y = axis(place.top, place.bottom, place.height, around.height);
  const widest =
    context.maxWidth === undefined
      ? Number.POSITIVE_INFINITY
      : resolveLength(context.maxWidth, { viewport, percent: around.width });
  if (x.size !== undefined) x.size = Math.min(x.size, widest);
  const available = x.size ?? Math.min(widest, Math.max(0, around.width - (x.start ?? 0) - (x.end ?? 0)));
  const own = natural(available);

  let { size: width } = x;
  let { size: height } = y;
  if (kind === "image") {
    const ratio = own.width / own.height;
    width ??= height === undefined ? own.width : height * ratio;
    height ??= width / ratio;
  } else {
    width ??= own.width;
    height ??= own.height;
  }
  const centreX = place.center === "x" || place.center === "both";
  const centreY = place.center === "y" || place.center === "both";
  // A text too wide for its scene stays at the start edge, where reading begins, as CSS auto margins have it.
  const middle = (around.width - width) / 2;
  const left = centreX
    ? kind === "text" && x.size === undefined
      ? Math.max(0, middle)
      : middle
    : inset(x, width);
  const top = centreY ? (around.height - height) / 2 : inset(y, height);
  return { left, top, width, height };
}

/** Where a box begins on an axis: at its start inset, else against its end inset, else at the scene's edge. */
const inset = (axis: Axis, size: number): number =>
  axis.start ?? (axis.end === undefined ? 0 : axis.extent - axis.end - size);
