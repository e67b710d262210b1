import type { Moment } from "../core/moment.ts";
import { momentAt, type PassageOf } from "../core/moment.ts";
import { layoutTop } from "./offsets.ts";

/** Where a scene lies in what scrolls it, in px. */
export interface Around {
  viewport: number;
  /** The scene's height, with what it holds. */
  height: number;
  /** Its distance from the top of what is scrolled. */
  top: number;
  scrollHeight: number;
}

/** The position of a moment in a scene's passage, in px: `momentAt` for elements. */
export function positionOf(
  moment: Moment,
  of: PassageOf,
  {
    viewport,
    height,
    top,
    scrollHeight,
    element,
    scene,
  }: Around & { element: HTMLElement; scene: HTMLElement },
): number {
  const box = of === "layer" ? boxIn(scene, element) : { left: 0, top: 0, width: 0, height: 0 };
  return momentAt(moment, of, {
    viewport: { width: 0, height: viewport },
    scene: { height, top },
    scrollHeight,
    box,
  });
}

/** An element's box against its scene, as it is laid out. */
const boxIn = (scene: HTMLElement, element: HTMLElement) => ({
  left: 0,
  top: layoutTop(element) - layoutTop(scene),
  width: element.offsetWidth,
  height: element.offsetHeight,
});
