import type { AnyLayer, GroupLayer, ImageLayer, MarkupLayer, ShapeLayer, Slide, TextLayer } from "./layer.ts";
import { isBetween, saysSize } from "./place.ts";
import type { Reel } from "./reel.ts";
import type { Row } from "./row.ts";
import type { Scene } from "./scene.ts";

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

/**
 * Of a group that does not say how large it is: it is as large as what is in it. Without a place it is only where that has
 * a size; what is stretched over it fills, with it, what it is in. Slides, which are as large as their reel has them, are
 * not to be asked.
 */
export const isFitContent = (layer: AnyLayer): layer is GroupLayer & { row?: never } => {
  if (!isGroup(layer) || isRow(layer) || isReel(layer) || hasPane(layer)) return false;
  const { place } = layer;
  if (place) return !(saysSize(place, "x") && saysSize(place, "y"));
  const asking = layer.layers.map(asks);
  return asking.some(({ x }) => x) && asking.some(({ y }) => y);
};

/** On which axes a layer says how large the group around it has to be. */
export function asks(layer: AnyLayer): { x: boolean; y: boolean } {
  const { place } = layer;
  if (isText(layer) || isArranged(layer)) return { x: true, y: true };
  return {
    x: place !== undefined && !isBetween(place, "x"),
    y: place !== undefined && !isBetween(place, "y"),
  };
}

/** Whether a group is as large as what is in it where it does not say: percentages in it are of the box around it. */
export const isArranged = (layer: AnyLayer): boolean => isRow(layer) || isFitContent(layer);

/** Layers and all that is in them, in document order. */
export const allLayers = (layers: readonly AnyLayer[]): AnyLayer[] =>
  layers.flatMap((layer) => [layer, ...allLayers(layer.layers ?? [])]);

/** Whether a scene has a reel. */
export const hasReel = ({ layers }: Scene): boolean => layers.some(isReel);

/** Whether all that a scene holds for is swiped where screens are narrow: nothing has to hold there. */
export const isSwipedWhole = ({ layers }: Scene): boolean =>
  layers.some(isReel) && !layers.some((layer) => isReel(layer) && layer.reel.narrow === "travel");

/** A picture or shape without a place fills its scene as a pane. */
export const fillsScene = (layer: AnyLayer): boolean =>
  !isText(layer) && !isMarkup(layer) && !isGroup(layer) && layer.place === undefined;

/** Whether a layer is clipped by a pane of its own. */
export const hasPane = (layer: AnyLayer): boolean =>
  !isText(layer) && layer.pane === true && layer.place !== undefined;

/** Whether a layer's box reaches past a pane so that no edge shows: not that of what is as large as it says, or as its content. */
export const overscans = (layer: AnyLayer): boolean =>
  fillsScene(layer) || (hasPane(layer) && !(isGroup(layer) && (layer.size || layer.row)));

/** Whether a layer is a row in a pane: its ground reaches past the pane, and what is in it stands where it was placed. */
export const hasGround = (layer: AnyLayer): boolean => isRow(layer) && hasPane(layer);
