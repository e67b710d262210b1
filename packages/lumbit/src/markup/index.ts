export { adoptCss, cropWay, standingDriftCss } from "./adopt.css.ts";
export { css, type Expression, print, value } from "./arithmetic.ts";
export { arrangedAlone } from "./arranged.ts";
export {
  type Assets,
  type DrawnSizes,
  type FontStack,
  fileAt,
  type Picture,
  type PictureSource,
} from "./assets.ts";
export { motionConditions, swipeMedia, travelMedia } from "./conditions.ts";
export type { LayerContext } from "./context.ts";
export { croppedDrift } from "./cropped-drift.css.ts";
export { motionCss } from "./directed.ts";
export { backdropElement, layerElement, sceneElement, sourceSetOf } from "./elements.ts";
export { fixedCss } from "./fixed.css.ts";
export { headerElement, headerRules } from "./header.ts";
export { layerRules, letterKeys } from "./layer.ts";
export { blendCss, lookCss } from "./look.ts";
export { modelCss, wideCss } from "./model.css.ts";
export { layerKeyframes } from "./motion.ts";
export { nativeCss } from "./native.css.ts";
export { follows, ownSettleCss } from "./own-settle.ts";
export { blurBehindCss, buttonCss, panelCss } from "./panel.ts";
export { passage, settle, zero } from "./passage.css.ts";
export { plainCss } from "./plain-markup.css.ts";
export { plainSceneCss } from "./plain-scene.css.ts";
export { isPlain, plainElement, plainFrame, plainRules } from "./plain-scene.ts";
export { variable } from "./properties.ts";
export {
  filterCss,
  holdCss,
  keyframesCss,
  layerPieces,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  waysOf,
} from "./ramp.ts";
export { reachCss } from "./reach.css.ts";
export { reelCss, rowCss, rowWay, slideCss, slideLayerCss, slideWay } from "./reel.ts";
export { propertyCss } from "./registered.css.ts";
export { resetCss } from "./reset.css.ts";
export { declare, ruleCss } from "./rule-css.ts";
export { isContained, quoted } from "./safe.ts";
export {
  estimatedEms,
  layerContext,
  neighboursOf,
  ownSceneRules,
  pageRules,
  sceneKeyframes,
  sceneRules,
} from "./scene.ts";
export { stillCss } from "./scene-css.ts";
export { sceneSelector } from "./scene-look.ts";
export { seenCss } from "./seen.ts";
export { settleCss } from "./settle.ts";
export { settleWords } from "./settle-words.css.ts";
export { skipCss } from "./skip.css.ts";
export { isHeld, type Staging, stageLayers } from "./stage.ts";
export { targetElements, targetRules } from "./target.ts";
export { tiltCss } from "./tilt.ts";
export { ownReach } from "./timelines.css.ts";
export { type Declarations, type Element, element, round, type StyleRule } from "./tree.ts";
