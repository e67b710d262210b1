import type { Size } from "./box.ts";
import { speedOf } from "./depth.ts";
import type { GroupLayer, Layer } from "./layer.ts";
import { type Passage, passageOf } from "./passage.ts";
import { type Length, resolveLength, type Viewport } from "./units.ts";

/** Slides side by side that travel sideways while their scene holds; on narrow screens a row that is swiped. */
export interface Reel {
  /** The width of a slide; percentages are of the reel, all of it by default. */
  width?: Length;
  /** Space between slides; 0 by default. */
  gap?: Length;
  /** How much of a slide has to be in view for its title to come in, 0..1; 0.6 by default. */
  share?: number;
}

/** Viewports narrower than this, in px, swipe reels instead of travelling along them. */
export const swipeWidth = 600;

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
  const width = px(reel?.width ?? "100%");
  const step = width + px(reel?.gap);
  const total = step * layers.length - px(reel?.gap);
  return {
    travel: Math.max(0, total - whole),
    slides: layers.map((_, index) => {
      const left = index * step;
      const passage = passageOf({
        viewport: whole,
        scene: width,
        hold: 0,
        before: left,
        after: total - left - width,
      });
      return { left, width, passage };
    }),
  };
}

/** How far a layer in a slide has slid against it at the beginning and the end of the reel's travel, to the right. */
export function slideOffsets(layer: Layer, relief: number, { left, passage }: SlideLayout, travel: number) {
  const k = relief * (1 - speedOf(layer));
  const first = passage.viewport - left - passage.length / 2;
  return { k, from: k * first, to: k * (first + travel) };
}
