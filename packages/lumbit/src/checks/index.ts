export { type CheckInput, checkPage, defaultViewports, findingsFrom, type Seen, seenAt } from "./check.ts";
export {
  type Change,
  type Finding,
  type PictureCopy,
  type Place as FindingPlace,
  rules,
  type Severity,
  viewportName,
} from "./finding.ts";
export { momentAt } from "./layer-at.ts";
export type { Picture } from "./picture.ts";
export { type PixelsNeeded, pixelsNeeded } from "./rules/sharpness.ts";
export { type LayerView, type SceneView, type View, viewOf } from "./view.ts";
