export { type CheckInput, checkPage, defaultViewports, findingsFrom, type Seen, seenAt } from "./check.ts";
export {
  type Change,
  type Finding,
  type PictureCopy,
  rules,
  type Severity,
  type Span,
  viewportName,
} from "./finding.ts";
export { trackAt } from "./layer-at.ts";
export type { KnownPicture } from "./picture.ts";
export { type PixelsNeeded, pixelsNeeded } from "./rules/sharpness.ts";
export { type LayerView, type SceneView, type View, viewOf } from "./view.ts";
