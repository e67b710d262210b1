export { heavy } from "./catalog/weight.ts";
export type { Check } from "./check.ts";
export { type CheckInput, checkPage, defaultViewports } from "./check-page.ts";
export { checks } from "./checks.ts";
export { detailOf } from "./detail.ts";
export {
  type Change,
  type Finding,
  type PictureCopy,
  type Severity,
  type Span,
  viewportName,
} from "./finding.ts";
export { findingsFrom, type Judged, type Seen, seenAt } from "./judge.ts";
export { type Judging, judgePage, writtenFindings } from "./judge-page.ts";
export { trackAt } from "./layer-at.ts";
export { independent, offers, type Trial, withCopies } from "./offer.ts";
export { type KnownPicture, type Raster, rasterSize } from "./picture.ts";
export { type PixelsNeeded, pixelsNeeded } from "./pixels.ts";
export { isBehindContent, type LayerView, type SceneView, type View, viewOf } from "./view.ts";
