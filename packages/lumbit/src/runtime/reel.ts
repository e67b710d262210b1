import { rangeOf } from "../core/moment.ts";
import { swipeWidth } from "../core/swipe.ts";
import { prefersStillness } from "./driver.ts";
import { isMarked, mark } from "./marks.ts";
import { scrollerOf } from "./scroller.ts";
import { viewOf } from "./view.ts";

/** How much less of a slide than brought its title in lets it go again, so that it does not flicker. */
const slack = 0.15;

/**
 * Keeps the titles of reels: the slide that is in view has its title in, the others have theirs out. What is focused
 * in a slide brings that slide into view. Nothing for readers who ask for less motion: all titles stay.
 */
export function followReels(
  scenes: readonly HTMLElement[],
  changed: (slide: HTMLElement) => void,
): { dispose(): void } {
  const undo = scenes.flatMap((scene) =>
    [...scene.querySelectorAll<HTMLElement>("[data-lumbit-is~=reel]")].map((reel) =>
      followReel(reel, scene, changed),
    ),
  );
  return { dispose: () => undo.forEach((step) => void step()) };
}

function followReel(
  reel: HTMLElement,
  scene: HTMLElement,
  changed: (slide: HTMLElement) => void,
): () => void {
  const slides = [...reel.querySelectorAll<HTMLElement>("[data-lumbit-is~=slide]")];
  const share = Number(reel.dataset.lumbitShare ?? 0.6);
  const inView = new Map<Element, number>();
  let shown: HTMLElement | undefined;
  const show = (slide: HTMLElement) => {
    if (slide === shown) return;
    shown?.removeAttribute("data-lumbit-shown");
    slide.setAttribute("data-lumbit-shown", "");
    shown = slide;
    changed(slide);
  };
  // Boxes are read when the layout changes and come with what is observed: reading them while slides come and go
  // would have the page laid out in between.
  let [width, travel, moved] = [0, 0, 0];
  // Of existing markup a tab stop is the page's own, if it has one.
  const before = reel.getAttribute("tabindex");
  const ownTab = before !== null && isMarked(reel, "adopted-reel");
  const places = new Map<Element, { middle: number; width: number }>();
  const sized = new ResizeObserver(() => {
    const row = reel.firstElementChild as HTMLElement | null;
    width = reel.clientWidth;
    travel = (row?.offsetWidth ?? 0) - width;
    moved = reel.getBoundingClientRect().left - (row?.getBoundingClientRect().left ?? 0);
    // A stop of the tab key is for keys that do something: where it is swiped they scroll it.
    const swiped = travel > 1 && getComputedStyle(reel).overflowX !== "clip";
    if (!ownTab && swiped !== reel.hasAttribute("tabindex"))
      if (swiped) reel.tabIndex = 0;
      else reel.removeAttribute("tabindex");
    const start = leftmost(slides);
    for (const slide of slides)
      places.set(slide, {
        middle: slide.offsetLeft - start + slide.offsetWidth / 2,
        width: slide.offsetWidth,
      });
  });
  /** How far a slide's middle is from where one reads: at the reel's left end when it begins, at its right when it ends. */
  const distanceOf = (slide: HTMLElement) => {
    const read = travel > 0 ? (moved / travel) * width : 0;
    return Math.abs((places.get(slide)?.middle ?? 0) - moved - read);
  };
  const seen = new IntersectionObserver(
    (entries) => {
      for (const { target, intersectionRatio, boundingClientRect, rootBounds } of entries) {
        inView.set(target, intersectionRatio);
        const middle = boundingClientRect.left + boundingClientRect.width / 2;
        moved = (places.get(target)?.middle ?? 0) - middle + (rootBounds?.left ?? 0);
      }
      const candidates = slides.filter((slide) => (inView.get(slide) ?? 0) >= share);
      const best = candidates.toSorted((a, b) => distanceOf(a) - distanceOf(b))[0];
      if (!best) return;
      const kept = shown && (inView.get(shown) ?? 0) >= share - slack;
      const gained = shown ? distanceOf(shown) - distanceOf(best) : 0;
      if (!kept || gained > slack * (places.get(best)?.width ?? 0)) show(best);
    },
    { root: reel, threshold: Array.from({ length: 21 }, (_, index) => index / 20) },
  );
  // Slides that are neither in view nor next to it are not styled and painted.
  const near = new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries)
        target.toggleAttribute("data-lumbit-near", isIntersecting);
    },
    { root: reel, rootMargin: "0px 100%" },
  );
  if (reel.firstElementChild) sized.observe(reel.firstElementChild);
  sized.observe(reel);
  for (const slide of slides) {
    seen.observe(slide);
    near.observe(slide);
  }
  const focused = ({ target }: Event) => {
    const index = slides.findIndex((slide) => slide.contains(target as Node));
    const travels = viewOf(reel).innerWidth >= swipeWidth || isMarked(reel, "travels");
    if (index >= 0 && travels && !prefersStillness()) bringIntoView(scene, reel, slides, index);
  };
  reel.addEventListener("focusin", focused);
  const unmark = prefersStillness() ? () => {} : mark(reel, "live");
  return () => {
    sized.disconnect();
    seen.disconnect();
    near.disconnect();
    reel.removeEventListener("focusin", focused);
    if (before === null) reel.removeAttribute("tabindex");
    else reel.setAttribute("tabindex", before);
    unmark();
    for (const slide of slides)
      for (const name of ["shown", "near"]) slide.removeAttribute(`data-lumbit-${name}`);
  };
}

/** Scrolls the page to where a slide is in the middle of its reel, or as near as it comes. */
function bringIntoView(
  scene: HTMLElement,
  reel: HTMLElement,
  slides: readonly HTMLElement[],
  index: number,
): void {
  const scroller = scrollerOf(scene);
  const viewport = scroller.viewport();
  const [start, end] = rangeOf("contain", viewport, scene.getBoundingClientRect().height);
  const row = reel.firstElementChild as HTMLElement | null;
  const slide = slides[index];
  if (!row || !slide) return;
  const travel = row.offsetWidth - reel.clientWidth;
  const wanted = slide.offsetLeft - leftmost(slides) - (reel.clientWidth - slide.offsetWidth) / 2;
  const share = travel > 0 ? Math.min(Math.max(wanted / travel, 0), 1) : 0;
  const along = isMarked(reel, "backwards") ? 1 - share : share;
  (scroller.box ?? viewOf(scene)).scrollTo({
    top: scroller.topOf(scene) - viewport + start + along * (end - start),
  });
}

/** Where slides begin, whichever of them is there. */
const leftmost = (slides: readonly HTMLElement[]) => Math.min(...slides.map(({ offsetLeft }) => offsetLeft));
