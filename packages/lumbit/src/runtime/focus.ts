/** Opacity from which on what is focused can be seen. */
const least = 0.5;

/**
 * Has what is focused by keyboard in the layers of a scene brought to a moment at which it is seen: browsers scroll to where it
 * is before they scroll, and layers go their own way then. `box` is what scrolls the scene, where the page does not.
 */
export function followFocus(scene: HTMLElement, box?: Element): { dispose(): void } {
  const { ownerDocument: home } = scene;
  const scroller = box ?? home.scrollingElement ?? home.documentElement;
  const focused = () => {
    const element = home.activeElement as HTMLElement;
    if (scene.contains(element) && element.matches(":focus-visible")) void bring(element);
  };
  /** Where the part of the scroller is that shows content, and that is not under a header. */
  const view = () => {
    const { left, top } = box ? box.getBoundingClientRect() : { left: 0, top: 0 };
    const padding = Number.parseFloat(getComputedStyle(scroller).scrollPaddingTop) || 0;
    return {
      left,
      top: top + padding,
      right: left + scroller.clientWidth,
      bottom: top + scroller.clientHeight,
    };
  };
  const isSeen = (element: HTMLElement) => {
    const [box, shown] = [element.getBoundingClientRect(), view()];
    return (
      isWithin(box.top, box.bottom, shown.top, shown.bottom) &&
      isWithin(box.left, box.right, shown.left, shown.right) &&
      opacityOf(element, scene) >= least
    );
  };
  async function bring(element: HTMLElement): Promise<void> {
    const isLost = () => home.activeElement !== element;
    /** Scrolls, and says whether that is enough. */
    const seenAt = async (top: number) => {
      scroller.scrollTo({ top, behavior: "instant" });
      await frame();
      return isLost() || isSeen(element);
    };
    await frame();
    const before = scroller.scrollTop;
    if (isLost() || isSeen(element)) return;
    // It goes on a straight line for most of its way: where that is in the middle of the view.
    const beside = () => {
      const [box, shown] = [element.getBoundingClientRect(), view()];
      return (box.top + box.bottom - shown.top - shown.bottom) / 2;
    };
    let speed = 1;
    for (let tries = 0; tries < 4; tries++) {
      const [at, from] = [scroller.scrollTop, beside()];
      if (await seenAt(at + from / speed)) return;
      speed = (from - beside()) / (scroller.scrollTop - at) || 1;
    }
    // Or it is seen at some moment of its scene.
    const height = scroller.clientHeight;
    const { top, bottom } = scene.getBoundingClientRect();
    const start = scroller.scrollTop + top - view().top;
    for (let by = -height; by < bottom - top; by += height / 6) if (await seenAt(start + by)) return;
    scroller.scrollTo({ top: before, behavior: "instant" });
  }
  focused();
  scene.addEventListener("focusin", focused);
  return { dispose: () => scene.removeEventListener("focusin", focused) };
}

/** Whether what goes from one place to another is within bounds, or fills them. */
const isWithin = (from: number, to: number, start: number, end: number) =>
  Math.min(to, end) - Math.max(from, start) >= Math.min(to - from, end - start) - 1;

/** How much of an element is seen within its scene; what comes in by a cue comes as soon as it is there. */
function opacityOf(element: Element, scene: Element): number {
  let opacity = 1;
  for (let one: Element | null = element; one && one !== scene; one = one.parentElement)
    if (!one.matches("[data-lumbit-cue]")) opacity *= Number(getComputedStyle(one).opacity);
  return opacity;
}

/** A frame later, when layers stand where they are going to. */
const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
