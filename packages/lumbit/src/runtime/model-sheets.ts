import { fixedCss, modelCss, motionConditions, nativeCss, standingDriftCss } from "../markup/index.ts";
import { movingReachCss } from "./reach.ts";

/** The model in CSS, with what moves in it. */
export const movingModel = [
  modelCss,
  movingReachCss,
  `@media ${motionConditions.media} {${fixedCss}
@supports ${motionConditions.supports} {${nativeCss}${standingDriftCss}}}`,
];
