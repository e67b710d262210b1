import type { reel, ValuesOf } from "../settings/index.ts";
import type { Arithmetic } from "./arithmetic.ts";
import { displacement } from "./drift.ts";
import { isReel } from "./kinds.ts";
import type { Passage, PassageInput } from "./passage.ts";
import type { Scene } from "./scene.ts";

/** Slides side by side that travel sideways while their scene holds; on narrow screens a row that is swiped. */
export type Reel = ValuesOf<typeof reel>;

/** Of slides side by side, in px: how wide each is, the space between them, how many there are. */
export interface RowInput<T> {
  slide: T;
  gap: T;
  count: T;
}

/** Whether slides go to the right: the first one is the last from the left then, and all is as in a film played backwards. */
export const goesRight = ({ direction }: Reel): boolean => direction === "right";

/** How many slides are to the left of one. */
export const slidesBefore = (reel: Reel, index: number, count: number): number =>
  goesRight(reel) ? count - 1 - index : index;

/** How long slides side by side are. */
export const rowLength = <T>(a: Arithmetic<T>, { slide, gap, count }: RowInput<T>): T =>
  a.subtract(a.multiply(count, a.add(slide, gap)), gap);

/** How far slides of so many px travel in a reel that is so wide: until the last one comes to its end. */
export const rowTravel = <T>(a: Arithmetic<T>, row: T, width: T): T => a.max(a.px(0), a.subtract(row, width));

/** What is beside a slide in its reel on one side, where so many slides are: as if it were a scene on its side. */
export const besideSlide = <T>(
  a: Arithmetic<T>,
  slides: T,
  { slide, gap }: Pick<RowInput<T>, "slide" | "gap">,
): T => a.multiply(slides, a.add(slide, gap));

/** How far a layer in a slide has slid against it, to the right, when its reel begins to travel and when it has. */
export function slidOffsets<T>(
  a: Arithmetic<T>,
  k: T,
  { viewport, before, length }: Pick<PassageInput<T>, "viewport" | "before"> & Pick<Passage<T>, "length">,
  travel: T,
): { from: T; to: T } {
  const first = a.subtract(viewport, before);
  const settle = a.divide(length, a.number(2));
  return {
    from: displacement(a, k, first, settle),
    to: displacement(a, k, a.add(first, travel), settle),
  };
}

/** Whether a scene has a reel. */
export const hasReel = ({ layers }: Scene): boolean => layers.some(isReel);

/** Whether all that a scene holds for is swiped where screens are narrow: nothing has to hold there. */
export const isSwipedWhole = ({ layers }: Scene): boolean =>
  layers.some(isReel) && !layers.some((layer) => isReel(layer) && layer.reel.narrow === "travel");
