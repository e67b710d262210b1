/*
 * What `lumbit/core` offers to others: a page, laid out at a viewport and posed at a scroll position, and the parts of
 * that. What else the core has, the library's other parts and its tools take from `index.ts`.
 */
export type { Box, Size } from "./box.ts";
export { depthAt, speedAt, speedOf } from "./depth.ts";
export { driftOf } from "./drift.ts";
export { allLayers } from "./kinds.ts";
export type {
  AnyLayer,
  GroupLayer,
  ImageLayer,
  Layer,
  MarkupLayer,
  ShapeLayer,
  Slide,
  TextLayer,
} from "./layer.ts";
export { type LayerName, layersAt } from "./layers-at.ts";
export { type LayerLayout, layoutPage, type Natural, type PageLayout, type SceneLayout } from "./layout.ts";
export { momentAt } from "./moment.ts";
export { orderOf } from "./order.ts";
export { overscanOf } from "./overscan.ts";
export type { Page, PageLook } from "./page.ts";
export { passageOf } from "./passage.ts";
export { placedBox } from "./place.ts";
export { type LayerPose, type PagePose, poseAt } from "./pose.ts";
export type { Block, Scene } from "./scene.ts";
export { settleAt } from "./settle.ts";
export { type Length, resolveLength, type Viewport } from "./units.ts";
