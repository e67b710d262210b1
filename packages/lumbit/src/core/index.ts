export { blurAt, hazedOpacity } from "./air.ts";
export { hasUnknownEdges, isAutomatic, leastHeight } from "./automatic.ts";
export { type Box, intersection, intersects, type Size } from "./box.ts";
export * from "./check-rule.ts";
export { depthAt, depthNumber, depthOf, directionVector, speedAt, speedOf } from "./depth.ts";
export { type Drift, driftOf, type Stage } from "./drift.ts";
export { eased } from "./easing.ts";
export { fittedWidth, fluidSize, isFitted, resolveFontSize } from "./font-size.ts";
export * from "./kinds.ts";
export {
  columnDefaults,
  columnWidth,
  type LayerLayout,
  layoutPage,
  type Natural,
  type PageLayout,
  type SceneLayout,
  stageOf,
} from "./layout.ts";
export { matchesMedia } from "./media.ts";
export { type MomentContext, momentAt, type PassageOf, parseMoment, rangeOf } from "./moment.ts";
export * from "./needs.ts";
export { orderOf, orderSteps } from "./order.ts";
export { type Overscan, overscanOf, type Pane } from "./overscan.ts";
export * from "./page.ts";
export { type Passage, type PassageInput, passageOf, passedAt } from "./passage.ts";
export { boxedPieces, lateness, splitText, type TextPart } from "./pieces.ts";
export { type NaturalSize, type PlaceContext, placedBox } from "./place.ts";
export { boundsOf, type LayerPose, type PagePose, poseAt, type ScenePose } from "./pose.ts";
export { piecesOf, type ResolvedRamp, rampAt, rampDefaults, rampsOf, resolveRamps } from "./ramp.ts";
export { applyRules, changedBy, statesOf } from "./rules.ts";
export { settleAt } from "./settle.ts";
export { averageAdvance, buttonPadding, elementOf, largestOpticalSize, textDefaults } from "./text-style.ts";
export {
  inUnit,
  type LengthContext,
  parseLength,
  resolveLength,
  sumLengths,
  type Viewport,
} from "./units.ts";
