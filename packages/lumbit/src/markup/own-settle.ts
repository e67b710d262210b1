import { type AnyLayer, fillsScene, type OwnSettle, ownSettleMoment, ownSettleOf } from "../core/index.ts";
import { css, print } from "./arithmetic.ts";
import { isBoxed } from "./pane.ts";
import { variable } from "./properties.ts";
import type { Declarations } from "./tree.ts";

/**
 * Whether a layer that settles by its own passage is left to the browser to follow on its way: one without a box of known
 * height around it.
 */
export const follows = (layer: AnyLayer): boolean =>
  layer.settle !== undefined && !isBoxed(layer) && !fillsScene(layer);

/** When a layer that settles by its own passage does: as a formula over its box, or as a moment that browsers find. */
export function ownSettleCss(settle: OwnSettle, follows: boolean): Declarations {
  if (!follows) {
    const box = { top: variable("t"), height: variable("ph") };
    return { "--lumbit-settle": print(ownSettleOf(css, settle, variable("v"), box)) };
  }
  const [range, share] = ownSettleMoment(settle).split(" ");
  return { "--lumbit-settle-range": range, "--lumbit-settle-share": share };
}
