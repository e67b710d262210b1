import { motionConditions } from "../markup/conditions.ts";
import { reachCss } from "../markup/reach.css.ts";

/** What gives pictures in panes their overscan where the page moves. */
export const movingReachCss = `@media ${motionConditions.media} {${reachCss}}`;
