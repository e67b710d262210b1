import type { TextLayer } from "./layer.ts";
import type { TextStyle } from "./text-style.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

/** A size that grows with the width of the viewport: `min` at `from` or narrower, `max` at `to` or wider. */
export interface FluidSize {
  min: `${number}px`;
  max: `${number}px`;
  /** Viewport width in px at which `min` ends; 360 by default. */
  from?: number;
  /** Viewport width in px at which `max` is reached; 1440 by default. */
  to?: number;
}

/** A size at which the widest line of a text is exactly as wide as said; the text breaks only where it says. */
export interface FittedSize {
  /** Percentages are of the width of the box around, as in `place`. */
  fit: Length;
}

/** A fluid size in numbers: px, and the viewport widths in px between which it grows. */
export const fluidSize = ({ min, max, from = 360, to = 1440 }: FluidSize) => ({
  min: Number.parseFloat(min),
  max: Number.parseFloat(max),
  from,
  to,
});

const fits = (size: TextStyle["fontSize"]): size is FittedSize => typeof size === "object" && "fit" in size;

/** The width that a text is fitted to; `undefined` when it has a size of its own. */
export const fittedWidth = ({ fontSize }: TextStyle): Length | undefined =>
  fits(fontSize) ? fontSize.fit : undefined;

/** Whether a text is fitted to a width, by itself or under one of its rules. */
export const isFitted = (layer: TextLayer): boolean =>
  [layer, ...(layer.rules ?? [])].some((style) => fittedWidth(style) !== undefined);

/** What the size of a text depends on. */
export interface FontSizeContext {
  viewport: Viewport;
  /** Of a fitted text: the width in px that it has, and that of its widest line in font sizes. */
  fitted?: { width: number; ems: number };
}

/** A font size in px at a viewport; 1rem when none is given. Percentages refer to the root font size, 16 px. */
export function resolveFontSize(size: TextStyle["fontSize"], { viewport, fitted }: FontSizeContext): number {
  const rem = 16;
  if (fits(size)) return fitted ? fitted.width / fitted.ems : rem;
  if (typeof size !== "object") return resolveLength(size ?? "1rem", { viewport, percent: rem, rem });
  const { min, max, from, to } = fluidSize(size);
  const share = Math.min(Math.max((viewport.width - from) / (to - from), 0), 1);
  return min + (max - min) * share;
}
