import { modelCss, motionConditions, nativeCss, reachCss } from "../markup/index.ts";

/** The model in CSS for scenes in somebody's page. */
export const liveCss = `${modelCss}
@media ${motionConditions.media} {${reachCss}
@supports ${motionConditions.supports} {${nativeCss}}}`;
