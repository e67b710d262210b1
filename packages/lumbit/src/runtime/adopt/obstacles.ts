import { scaleOf } from "../scale.ts";
import { scrollBoxesAround, scrollerOf } from "../scroller.ts";

/**
 * Whether anything in a page keeps its browser from moving a scene by itself, so that the script has to: a box that clips
 * what is in it as one that scrolls, but does not; a zoom or scale around the scene; an animation of their own on layers.
 */
export function needsScript(scene: HTMLElement, layers: readonly HTMLElement[]): boolean {
  const [nearest] = scrollBoxesAround(scene);
  return (
    nearest !== scrollerOf(scene).box ||
    Math.abs(scaleOf(scene) - 1) > 0.001 ||
    layers.some((layer) => ownAnimations(layer).length > 0)
  );
}

/** The names of an element's animations that are not the library's. */
export const ownAnimations = (element: Element): string[] =>
  getComputedStyle(element)
    .animationName.split(/,\s*/)
    .filter((name) => name !== "none" && !name.startsWith("lumbit-"));

/**
 * The element that zooms a scene, where this browser tells boxes in zoomed px and where they lie in others: what moves there
 * cannot be right.
 */
export function zoomedBy(scene: Element): Element | undefined {
  if ((scene as { currentCSSZoom?: number }).currentCSSZoom !== undefined) return undefined;
  let around: Element | null = scene;
  while (around && Number(getComputedStyle(around).getPropertyValue("zoom") || 1) === 1)
    around = around.parentElement;
  return around ?? undefined;
}
