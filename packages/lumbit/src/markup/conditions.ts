import type { Reel } from "../core/index.ts";
import { swipeWidth } from "../core/swipe.ts";

/** The conditions under which a page moves without script. */
export const motionConditions = {
  media: "screen and (prefers-reduced-motion: no-preference)",
  supports: "(animation-timeline: view()) and (animation-range: exit-crossing 0% exit-crossing 100%)",
};

/** Where a reel travels: everywhere, or where it is not swiped. */
export const travelsIn = ({ narrow }: Reel): string | undefined =>
  narrow === "travel" ? undefined : travelMedia;

/** Where reels travel; narrower screens swipe them. */
export const travelMedia = `(min-width: ${swipeWidth}px)`;
export const swipeMedia = `(max-width: ${swipeWidth - 0.02}px)`;
