import { numbers } from "./arithmetic.ts";
import type { Size } from "./box.ts";
import type { GroupLayer } from "./layer.ts";
import { type Passage, passageOf } from "./passage.ts";
import { besideSlide, rowLength, rowTravel, slidesBefore } from "./reel.ts";
import { isSwiped } from "./swipe.ts";
import { resolveLength, type Viewport } from "./units.ts";

/** One slide of a reel, in px. A slide goes through its reel as a scene goes through the viewport, on its side. */
export interface SlideLayout {
  left: number;
  width: number;
  passage: Passage;
}

/** A reel in px: its slides side by side, and how far they travel. */
export interface ReelLayout {
  slides: SlideLayout[];
  travel: number;
}

/** Lays the slides of a reel out side by side. */
export function layoutReel(
  { reel, layers }: GroupLayer,
  { width: whole }: Size,
  viewport: Viewport,
): ReelLayout {
  const px = (length: NonNullable<GroupLayer["reel"]>["width"]) =>
    resolveLength(length ?? 0, { viewport, percent: whole });
  const own = reel ?? {};
  const row = { slide: px(reel?.width ?? "100%"), gap: px(reel?.gap), count: layers.length };
  return {
    travel: rowTravel(numbers, rowLength(numbers, row), whole),
    slides: layers.map((_, index) => {
      // Where they are swiped they lie in reading order.
      const ahead = isSwiped(own, viewport.width) ? index : slidesBefore(own, index, layers.length);
      const before = besideSlide(numbers, ahead, row);
      const after = besideSlide(numbers, layers.length - 1 - ahead, row);
      const passage = passageOf({ viewport: whole, scene: row.slide, hold: 0, before, after });
      return { left: before, width: row.slide, passage };
    }),
  };
}
