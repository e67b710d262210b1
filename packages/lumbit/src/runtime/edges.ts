import type { Declarations } from "../markup/index.ts";
import { isMarked } from "./marks.ts";
import { type Scroller, scrollerOf } from "./scroller.ts";
import type { StyleWriter } from "./style-writer.ts";

/** Lengths in px as the custom properties that the style has for them. */
export const lengthsCss = (lengths: Readonly<Record<string, number>>): Declarations =>
  Object.fromEntries(Object.entries(lengths).map(([name, value]) => [`--lumbit-${name}`, `${value}px`]));

/** What is above and below a scene in what is scrolled. */
export function measureAround(scene: HTMLElement, scroller: Scroller): Record<"before" | "after", number> {
  const top = scroller.topOf(scene);
  // A page's own height has the parts of a pixel that its scroll height is rounded by.
  const page = scene.ownerDocument.documentElement.getBoundingClientRect().height;
  const rounded = scroller.scrollHeight();
  const whole = !scroller.box && Math.abs(page - rounded) < 1 ? page : rounded;
  const after = whole - top - scene.getBoundingClientRect().height;
  return { before: Math.max(0, top), after: Math.max(0, after) };
}

/** Tells scenes where they lie in what is scrolled: the page above and below, the viewport, their height. */
export function measureEdges(scenes: readonly HTMLElement[], styles: StyleWriter): void {
  const scrollers = new Map(scenes.map((scene) => [scene, scrollerOf(scene)]));
  const measured = [...scrollers].map(([scene, scroller]) => {
    // The height of a built scene is what its style says; that of existing markup is what it turned out to be.
    const held = scene.querySelector(":scope > [data-lumbit-is~=adopted-held]") ?? scene;
    const own: Record<string, number> = isMarked(scene, "scene")
      ? {}
      : { h: held.getBoundingClientRect().height };
    return [scene, { ...measureAround(scene, scroller), v: scroller.viewport(), ...own }] as const;
  });
  for (const [scene, lengths] of measured) styles.set(scene, "edges", lengthsCss(lengths));
  styles.write();
}
