import type { Scroller } from "./scroller.ts";

/** Something that moves the layers of scenes until it is disposed of. */
export interface Driver {
  /** Measures anew: call it after a change that no observer can see. */
  refresh(): void;
  /** Leaves everything where it is until `resume`. */
  pause(): void;
  resume(): void;
  /** Stops and takes back all that it wrote. */
  dispose(): void;
}

/** Whether this reader has asked for less motion. */
export const prefersStillness = (): boolean => matchMedia("(prefers-reduced-motion: reduce)").matches;

/** Whether this browser moves layers without script. */
export const supportsNative = (): boolean =>
  CSS.supports("(animation-timeline: view()) and (animation-range: exit-crossing 0% exit-crossing 100%)");

/** What rules may ask for that changes while the window keeps its size. */
const askedFor = ["(prefers-reduced-motion: reduce)", "(prefers-color-scheme: dark)", "(pointer: coarse)"];

/**
 * Calls back, at most once a frame, when what a measurement of these scenes depends on may have changed: sizes of the
 * scenes and of what may push them about, of the window (page zoom and turned screens too), fonts and pictures that
 * came late, content that was inserted, a page that came back.
 */
export function watchLayout(scenes: readonly Element[], { box }: Scroller, changed: () => void): () => void {
  let frame = 0;
  const later = () => {
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      changed();
    });
  };
  // Who is observed is told of first with the size that it has.
  const known = new Map<Element, DOMRect>();
  const sizes = new ResizeObserver((entries) => {
    if (!entries.every((entry) => isSize(entry, known.get(entry.target)))) later();
    known.clear();
  });
  const watch = () => {
    sizes.disconnect();
    for (const element of influences(scenes, box)) {
      known.set(element, element.getBoundingClientRect());
      sizes.observe(element);
    }
  };
  // A box that scrolls keeps its size whatever comes into it.
  const content = new MutationObserver(() => {
    watch();
    later();
  });
  if (box) content.observe(box, { childList: true });
  watch();
  const { fonts, defaultView } = scenes[0]?.ownerDocument ?? document;
  const view = defaultView ?? window;
  const sources: [EventTarget, string][] = [
    [view, "resize"],
    [view, "pageshow"],
    [view, "load"],
    [fonts, "loadingdone"],
    ...askedFor.map((media): [EventTarget, string] => [view.matchMedia(media), "change"]),
  ];
  for (const [target, type] of sources) target.addEventListener(type, later);
  return () => {
    cancelAnimationFrame(frame);
    sizes.disconnect();
    content.disconnect();
    for (const [target, type] of sources) target.removeEventListener(type, later);
  };
}

const isSize = ({ borderBoxSize: [size] }: ResizeObserverEntry, known?: DOMRect): boolean =>
  size?.inlineSize === known?.width && size?.blockSize === known?.height;

/** The scenes, the boxes around them, and what lies beside these in a box that scrolls. */
function influences(scenes: readonly Element[], box: Element | undefined): Set<Element> {
  const elements = new Set<Element>(scenes);
  for (const scene of scenes)
    for (let around = scene.parentElement; around && around !== box; around = around.parentElement)
      elements.add(around);
  if (box) for (const element of [box, ...box.children]) elements.add(element);
  return elements;
}
