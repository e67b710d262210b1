import { depthNumber, depthOf, speedAt } from "./depth.ts";
import type { AnyLayer } from "./layer.ts";

/**
 * A layer's place in the paint order, as a whole number: far layers have less and are painted first; equals are
 * painted in document order. It is the speed at the depth, or at the one it overrides, so that it can be computed
 * in CSS as well (`z-index`).
 */
export const orderOf = (layer: AnyLayer): number =>
  Math.round(speedAt(layer.order === undefined ? depthOf(layer) : depthNumber(layer.order)) * orderSteps);

/** How finely the paint order tells speeds apart. */
export const orderSteps = 100_000;

/** The place of content in the flow in the paint order: below what lies on the surface, wherever in the markup that stands. */
export const contentOrder: number = orderSteps - 1;
