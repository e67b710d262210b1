import type { AnyLayer, GroupLayer, ImageLayer, MarkupLayer, ShapeLayer, Slide, TextLayer } from "./layer.ts";
import type { Reel } from "./reel.ts";
import type { Row } from "./row.ts";

export const isImage = (layer: AnyLayer): layer is ImageLayer => layer.image !== undefined;
export const isText = (layer: AnyLayer): layer is TextLayer => layer.text !== undefined;
export const isShape = (layer: AnyLayer): layer is ShapeLayer => layer.shape !== undefined;
export const isMarkup = (layer: AnyLayer): layer is MarkupLayer => layer.markup !== undefined;
/** Whether a layer has layers in it: a group, or a slide of a reel. */
export const isGroup = (layer: AnyLayer): layer is GroupLayer | Slide => layer.layers !== undefined;

/** Of what is in a reel. */
export const isSlide = (layer: AnyLayer): layer is Slide => layer.layers !== undefined;
export const isReel = (layer: AnyLayer): layer is GroupLayer & { reel: Reel } => layer.reel !== undefined;

/** Of a group whose layers stand beside each other by themselves. */
export const isRow = (layer: AnyLayer): layer is GroupLayer & { row: Row } => layer.row !== undefined;

/** Layers and all that is in them, in document order. */
export const allLayers = (layers: readonly AnyLayer[]): AnyLayer[] =>
  layers.flatMap((layer) => [layer, ...allLayers(layer.layers ?? [])]);

/** A picture or shape without a place fills its scene as a pane. */
export const fillsScene = (layer: AnyLayer): boolean =>
  layer.place === undefined && !isText(layer) && !isMarkup(layer) && !isGroup(layer);
