export { type Arithmetic, numbers, steep } from "./arithmetic.ts";
export * from "./arranged.ts";
export { hasUnknownEdges, isAutomatic } from "./automatic.ts";
export { backdropHeight, backdropOffset } from "./backdrop.ts";
export { type Box, contains, intersection, intersects, type Size } from "./box.ts";
export * from "./check-setting.ts";
export { columnDefaults, columnIn, columnWidth } from "./column.ts";
export { contentAcross, listIndent } from "./content.ts";
export { cropped } from "./crop.ts";
export * from "./cue.ts";
export {
  type Depth,
  type Direction,
  depthAt,
  depthNumber,
  depthOf,
  directionVector,
  type Motion,
  speedAt,
  speedOf,
} from "./depth.ts";
export { directionalityOf } from "./directionality.ts";
export {
  type Camera,
  type Drift,
  displacement,
  driftAlong,
  driftFactor,
  driftOf,
  pushed,
  type Stage,
  swing,
} from "./drift.ts";
export { type Easing, eased } from "./easing.ts";
export { placeInFit, stretches } from "./fit-content.ts";
export { blurAt } from "./focus.ts";
export {
  type FittedSize,
  type FluidSize,
  fittedWidth,
  fluidSize,
  isFitted,
  resolveFontSize,
} from "./font-size.ts";
export { hazedOpacity } from "./haze.ts";
export * from "./kinds.ts";
export * from "./layer.ts";
export { inPaintOrder, type LayerName, layersAt, withInner } from "./layers-at.ts";
export {
  type LayerLayout,
  layoutPage,
  type Natural,
  type PageLayout,
  type SceneLayout,
} from "./layout.ts";
export { hrefsOf, linkedLayers, linksIn, targetIn } from "./links.ts";
export { isMarkedUp } from "./marked-up.ts";
export { matchesMedia, pointerOf } from "./media.ts";
export {
  type Moment,
  type MomentContext,
  momentAt,
  type PassageOf,
  parseMoment,
  positionIn,
  type RangeName,
  rangeOf,
} from "./moment.ts";
export * from "./needs.ts";
export { contentOrder, orderOf, orderSteps } from "./order.ts";
export {
  edge,
  groundReach,
  type Overscan,
  overscan,
  overscanOf,
  type Pane,
  paneRange,
  reach,
} from "./overscan.ts";
export { type OwnSettle, ownSettleMoment, ownSettleOf } from "./own-settle.ts";
export * from "./page.ts";
export * from "./paned.ts";
export {
  leastReached,
  mostReached,
  type Passage,
  type PassageInput,
  passageLength,
  passageOf,
  passed,
} from "./passage.ts";
export { boxedPieces, lateness, type Pieces, type TextPart, textParts } from "./pieces.ts";
export {
  isBetween,
  type NaturalSize,
  type Place,
  type PlaceContext,
  type PlacedAxis,
  pictureSize,
  placedAxes,
  placedBox,
  saysSize,
  startOn,
} from "./place.ts";
export { boundsOf, type LayerPose, type PagePose, poseAt, type ScenePose } from "./pose.ts";
export {
  heldOffset,
  piecesOf,
  type Ramp,
  rampsOf,
  type Stop,
  type Travel,
} from "./ramp.ts";
export { type ResolvedRamp, rampAt, rampDefaults, resolveRamps } from "./ramp-pose.ts";
export {
  besideSlide,
  goesRight,
  hasReel,
  isSwipedWhole,
  type Reel,
  rowLength,
  rowTravel,
  slidesBefore,
  slidOffsets,
} from "./reel.ts";
export type { Row } from "./row.ts";
export { applyRulesWhere, changedBy, type Rule, statesOf } from "./rules.ts";
export { applyRules } from "./rules-at.ts";
export * from "./scene.ts";
export {
  automaticSettle,
  type Settle,
  settleAt,
  settleOf,
} from "./settle.ts";
export { stageOf } from "./stage.ts";
export { isSwiped, swipeWidth } from "./swipe.ts";
export { targetOf } from "./target.ts";
export {
  averageAdvance,
  elementOf,
  largestOpticalSize,
  type TextStyle,
  textDefaults,
} from "./text-style.ts";
export {
  inUnit,
  type Length,
  type LengthContext,
  type LengthUnit,
  parseLength,
  resolveLength,
  sumLengths,
  termsOf,
  type Viewport,
} from "./units.ts";
export { joinedRuns, plainText, type Run, runsOf, runsWithin } from "./words.ts";
