import { fillsScene, isGroup, isRow, isText } from "./kinds.ts";
import type { AnyLayer } from "./layer.ts";

/** Whether a layer is clipped by a pane of its own. */
export const hasPane = (layer: AnyLayer): boolean =>
  !isText(layer) && layer.pane === true && layer.place !== undefined;

/** Whether a layer's box reaches past a pane so that no edge shows: not that of what is as large as it says, or as its content. */
export const overscans = (layer: AnyLayer): boolean =>
  fillsScene(layer) || (hasPane(layer) && !(isGroup(layer) && (layer.size || layer.row)));

/** Whether a layer is a row in a pane: its ground reaches past the pane, and what is in it stands where it was placed. */
export const hasGround = (layer: AnyLayer): boolean => isRow(layer) && hasPane(layer);
