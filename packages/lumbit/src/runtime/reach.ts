import { motionConditions } from "../markup/conditions.ts";
import { reachCss } from "../markup/reach.css.ts";
import { adoptSheet } from "./sheet.ts";

/** Gives moving pictures in panes their overscan, wherever an element lives. */
export const reachSheet = (element: Element): (() => void) =>
  adoptSheet(element, `@media ${motionConditions.media} {${reachCss}}`);
