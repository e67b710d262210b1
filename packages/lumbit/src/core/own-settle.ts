import type { Arithmetic } from "./arithmetic.ts";
import type { Moment } from "./moment.ts";
import type { Pane } from "./overscan.ts";
import { type Settle, settleOf } from "./settle.ts";

/** When a layer stands where it was placed that goes by its own passage. */
export type OwnSettle = Exclude<Settle, "auto">;

/** The position p0 in its scene's passage, in px, at which a layer stands where it was placed that goes by its own passage. */
export const ownSettleOf = <T>(a: Arithmetic<T>, settle: OwnSettle, viewport: T, box: Pane<T>): T =>
  a.add(
    box.top,
    settleOf(a, settle, {
      ...{ viewport, scene: box.height, length: a.add(viewport, box.height) },
      automatic: a.px(0),
    }),
  );

/** The same moment by the names of ranges, as browsers find it. */
export function ownSettleMoment(settle: OwnSettle): Moment {
  const moments = {
    enter: "entry-crossing 0%",
    top: "exit-crossing 0%",
    middle: "cover 50%",
    bottom: "entry-crossing 100%",
    leave: "exit-crossing 100%",
  } as const;
  return typeof settle === "number" ? (`cover ${settle * 100}%` as const) : moments[settle];
}
