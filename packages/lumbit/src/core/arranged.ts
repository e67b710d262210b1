import { isGroup, isReel, isRow, isText } from "./kinds.ts";
import type { AnyLayer, GroupLayer } from "./layer.ts";
import { hasPane } from "./paned.ts";
import { isBetween, saysSize } from "./place.ts";

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
