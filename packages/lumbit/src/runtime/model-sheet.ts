import { fixedCss, modelCss, motionConditions, nativeCss, propertyCss, reachCss } from "../markup/index.ts";
import { adoptSheet } from "./sheet.ts";

/** Gives the tree that an element lives in the model in CSS, with what moves in it or without, and gives what takes it back. */
export function adoptModel(element: Element, still = false): () => void {
  const releases = [
    adoptSheet(element.ownerDocument.documentElement, propertyCss),
    adoptSheet(element, still ? modelCss : liveCss),
  ];
  return () => releases.forEach((release) => void release());
}

const liveCss = `${modelCss}
@media ${motionConditions.media} {${reachCss}${fixedCss}
@supports ${motionConditions.supports} {${nativeCss}}}`;
