export type { Assets, FontStack, Picture } from "./assets.ts";
export { backdropElement, sceneElement } from "./elements.ts";
export { modelCss, motionConditions, nativeCss, propertyCss, reachCss, skipCss } from "./model.css.ts";
export { motionCss } from "./motion.ts";
export {
  filterCss,
  holdCss,
  keyframesCss,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  waysOf,
} from "./ramp.ts";
export { reelCss, rowCss, rowWay, slideCss, slideLayerCss, slideWay, swipeMedia } from "./reel.ts";
export { declare, ruleCss } from "./rule-css.ts";
export { pageRules, sceneKeyframes, sceneRules, sceneSelector, settleCss } from "./scene.ts";
export { type Staging, stageLayers } from "./stage.ts";
export { type Declarations, type Element, element, round, type StyleRule } from "./tree.ts";
