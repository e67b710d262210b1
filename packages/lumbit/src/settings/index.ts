export { grammarsAt, settingsAt } from "./at.ts";
export { layerAttributes, partAttributes, sceneAttributes } from "./attributes.ts";
export { type CheckName, checkNames, checkSetting } from "./check.ts";
export { lookSettings, reel, travel } from "./common.ts";
export { cue } from "./cue.ts";
export { allowedFor, faultIn, type Judge, type ValueFault } from "./fault.ts";
export {
  choice,
  type Grammar,
  type Kind,
  longest,
  object,
  type Setting,
  type Settings,
  type TypeOf,
  type ValuesOf,
} from "./grammar.ts";
export { head } from "./head.ts";
export { holds } from "./holds.ts";
export { type LayerRows, layerSettings, place, row } from "./layer.ts";
export { lengthPattern } from "./length-pattern.ts";
export { isSafeLink } from "./link.ts";
export { backdrop, delivery, fontFace, header, page, pageGrammar, pageLook } from "./page.ts";
export { panel } from "./panel.ts";
export { copies, parts, sharedSetting, writtenGrammar } from "./part.ts";
export { furtherAttributes, plainLayer, plainScene } from "./plain-attributes.ts";
export { type RampName, type RampProperty, ramp, rampProperties } from "./ramp.ts";
export { block, scene, sceneGrammar, sceneSettings } from "./scene.ts";
export type { Camera } from "./shared.ts";
export { blockStyle, type FittedSize, type FluidSize, textStyle } from "./text-style.ts";
export {
  type Depth,
  type Easing,
  type Length,
  type LengthUnit,
  type Moment,
  mediaQuery,
  type RangeName,
} from "./values.ts";
