import { rangeOf } from "../core/moment.ts";
import { swipeWidth } from "../core/page.ts";
import { prefersStillness } from "./driver.ts";
import { scrollerOf } from "./scroller.ts";

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
    [...scene.querySelectorAll<HTMLElement>(".lumbit-reel")].map((reel) => followReel(reel, scene, changed)),
  );
  return { dispose: () => undo.forEach((step) => void step()) };
}

function followReel(
  reel: HTMLElement,
  scene: HTMLElement,
  changed: (slide: HTMLElement) => void,
): () => void {
  const slides = [...reel.querySelectorAll<HTMLElement>(".lumbit-slide")];
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
  /** How far a slide's middle is from where one reads: at the reel's left end when it begins, at its right when it ends. */
  const distanceOf = (slide: HTMLElement) => {
    const [box, whole, row] = [slide, reel, reel.firstElementChild ?? reel].map((element) =>
      element.getBoundingClientRect(),
    );
    if (!box || !whole || !row) return 0;
    const travel = row.width - whole.width;
    const read = travel > 0 ? whole.left + ((whole.left - row.left) / travel) * whole.width : whole.left;
    return Math.abs(box.left + box.width / 2 - read);
  };
  const seen = new IntersectionObserver(
    (entries) => {
      for (const { target, intersectionRatio } of entries) inView.set(target, intersectionRatio);
      const candidates = slides.filter((slide) => (inView.get(slide) ?? 0) >= share);
      const best = candidates.toSorted((a, b) => distanceOf(a) - distanceOf(b))[0];
      if (!best) return;
      const kept = shown && (inView.get(shown) ?? 0) >= share - slack;
      if (!kept || distanceOf(shown as HTMLElement) - distanceOf(best) > slack * best.offsetWidth) show(best);
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
  for (const slide of slides) {
    seen.observe(slide);
    near.observe(slide);
  }
  const focused = ({ target }: Event) => {
    const index = slides.findIndex((slide) => slide.contains(target as Node));
    if (index >= 0 && innerWidth >= swipeWidth && !prefersStillness())
      bringIntoView(scene, reel, slides, index);
  };
  reel.addEventListener("focusin", focused);
  if (!prefersStillness()) reel.classList.add("lumbit-live");
  return () => {
    seen.disconnect();
    near.disconnect();
    reel.removeEventListener("focusin", focused);
    reel.classList.remove("lumbit-live");
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
  const first = slides[0];
  const row = reel.firstElementChild as HTMLElement | null;
  const slide = slides[index];
  if (!first || !row || !slide) return;
  const travel = row.offsetWidth - reel.clientWidth;
  const wanted = slide.offsetLeft - first.offsetLeft - (reel.clientWidth - slide.offsetWidth) / 2;
  const share = travel > 0 ? Math.min(Math.max(wanted / travel, 0), 1) : 0;
  scroller.scrollTo(scroller.topOf(scene) - viewport + start + share * (end - start));
}
