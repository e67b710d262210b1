import type { FittedSize, FluidSize, Length, TextLayer, TextStyle } from "./page.ts";
import { resolveLength, type Viewport } from "./units.ts";

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
