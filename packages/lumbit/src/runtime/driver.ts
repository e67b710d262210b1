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

/**
 * Calls back, at most once a frame, when what a measurement depends on may have changed: sizes of these elements,
 * of the window (page zoom and turned screens too), fonts and pictures that came late, a page that came back.
 */
export function watchLayout(elements: Iterable<Element>, changed: () => void): () => void {
  let frame = 0;
  const later = () => {
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      changed();
    });
  };
  const observer = new ResizeObserver(later);
  for (const element of elements) observer.observe(element);
  const query = matchMedia("(prefers-reduced-motion: reduce)");
  const sources: [EventTarget, string][] = [
    [window, "resize"],
    [window, "pageshow"],
    [window, "load"],
    [document.fonts, "loadingdone"],
    [query, "change"],
  ];
  for (const [target, type] of sources) target.addEventListener(type, later);
  return () => {
    cancelAnimationFrame(frame);
    observer.disconnect();
    for (const [target, type] of sources) target.removeEventListener(type, later);
  };
}
