import type { Size } from "./box.ts";
import { speedOf } from "./depth.ts";
import type { GroupLayer, Layer } from "./page.ts";
import { type Passage, passageOf } from "./passage.ts";
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
