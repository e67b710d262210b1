import type { GroupLayer, ImageLayer, Layer, ShapeLayer, Slide, TextLayer } from "./layer.ts";
import type { Scene } from "./scene.ts";

export const isImage = (layer: Layer): layer is ImageLayer => layer.image !== undefined;
export const isText = (layer: Layer): layer is TextLayer => layer.text !== undefined;
export const isShape = (layer: Layer): layer is ShapeLayer => layer.shape !== undefined;
export const isGroup = (layer: Layer): layer is GroupLayer => layer.layers !== undefined;

/** Layers and all that is in them, in document order. */
export const allLayers = (layers: readonly (Layer | Slide)[]): Layer[] =>
  layers.flatMap((layer) => [layer as Layer, ...(layer.layers ? allLayers(layer.layers) : [])]);

/** Whether a scene has a reel. */
export const hasReel = ({ layers }: Scene): boolean =>
  layers.some((layer) => isGroup(layer) && layer.reel !== undefined);

/** A picture or shape without a place fills its scene as a pane. */
export const fillsScene = (layer: Layer): boolean =>
  !isText(layer) && !isGroup(layer) && layer.place === undefined;

/** Whether a layer is clipped by a pane of its own. */
export const hasPane = (layer: Layer): boolean =>
  !isText(layer) && layer.pane === true && layer.place !== undefined;

/** Whether a layer's box reaches past a pane so that no edge shows: pictures and shapes, not what has its own size. */
export const overscans = (layer: Layer): boolean => fillsScene(layer) || (hasPane(layer) && !isGroup(layer));
