import type { FittedSize, FluidSize } from "../settings/index.ts";
import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { TextLayer } from "./layer.ts";
import type { TextStyle } from "./text-style.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

export type { FittedSize, FluidSize } from "../settings/index.ts";

/** The size of a text that grows with the width of the viewport. */
export function fluidSize<T>(
  a: Arithmetic<T>,
  { min, max, from = 360, to = 1440 }: FluidSize,
  viewportWidth: T,
): T {
  const [least, most] = [Number.parseFloat(min), Number.parseFloat(max)];
  const slope = a.number((most - least) / (to - from));
  const grown = a.add(a.px(least), a.multiply(slope, a.subtract(viewportWidth, a.px(from))));
  return a.clamp(a.px(least), grown, a.px(most));
}

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
  return fluidSize(numbers, size, viewport.width);
}
