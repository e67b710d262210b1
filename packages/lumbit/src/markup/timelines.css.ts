import { css, print, value } from "./arithmetic.ts";

/** From one large viewport before the scene's top edge reaches the top of the screen until the scene has left. */
export const driftRange = "exit-crossing calc(0% - var(--lumbit-v)) exit-crossing 100%";

/** Of a layer that settles by its own passage: what its drift follows. */
export const ownTimeline = "view(block 0px)";
/**
 * How far to both sides of its settle moment its drift goes: farther than any scene is high. A range that names lengths of
 * the scene Chromium does not follow when a script changes them.
 */
export const ownReach = css.px(40_000);
export const ownRange = [-1, 1]
  .map((way) => {
    const share = css.add(value("var(--lumbit-settle-share)"), css.multiply(css.number(way), ownReach));
    return `var(--lumbit-settle-range) ${print(share)}`;
  })
  .join(" ");
