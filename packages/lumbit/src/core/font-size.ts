import type { FluidSize, Length } from "./page.ts";
import { resolveLength, type Viewport } from "./units.ts";

/** A fluid size in numbers: px, and the viewport widths in px between which it grows. */
export const fluidSize = ({ min, max, from = 360, to = 1440 }: FluidSize) => ({
  min: Number.parseFloat(min),
  max: Number.parseFloat(max),
  from,
  to,
});

/** A font size in px at a viewport; 1rem when none is given. Percentages refer to the root font size (`rem`, px). */
export function resolveFontSize(size: Length | FluidSize | undefined, viewport: Viewport, rem = 16): number {
  if (typeof size !== "object") return resolveLength(size ?? "1rem", { viewport, percent: rem, rem });
  const { min, max, from, to } = fluidSize(size);
  const share = Math.min(Math.max((viewport.width - from) / (to - from), 0), 1);
  return min + (max - min) * share;
}
