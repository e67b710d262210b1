import { depthNumber, speedAt } from "./depth.ts";
import type { PageLook } from "./page.ts";
import { resolveLength, type Viewport } from "./units.ts";

/**
 * The blur radius in px at a depth. A thin lens spreads a point over a disc that grows with |1 / f - 1 / d|, the
 * distances of what is sharp and of the point: in camera distances, the difference of their speeds.
 */
export function blurAt(depth: number, focus: PageLook["focus"], viewport: Viewport): number {
  if (!focus) return 0;
  const radius = resolveLength(focus.blur, { viewport, percent: 0 });
  return radius * Math.abs(speedAt(depth) - speedAt(depthNumber(focus.depth)));
}
