import {
  fixedCss,
  modelCss,
  motionConditions,
  nativeCss,
  propertyCss,
  standingDriftCss,
} from "../markup/index.ts";
import { reachSheet } from "./reach.ts";
import { adoptSheet } from "./sheet.ts";

/** Gives the tree that an element lives in the model in CSS, with what moves in it or without, and gives what takes it back. */
export function adoptModel(element: Element, still = false): () => void {
  const releases = [
    adoptSheet(element.ownerDocument.documentElement, propertyCss),
    adoptSheet(element, modelCss),
    ...(still ? [] : [reachSheet(element), adoptSheet(element, movingCss)]),
  ];
  return () => releases.forEach((release) => void release());
}

const movingCss = `@media ${motionConditions.media} {${fixedCss}
@supports ${motionConditions.supports} {${nativeCss}${standingDriftCss}}}`;
