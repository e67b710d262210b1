/** What scrolls a scene: the page, or the nearest box around it that scrolls. Lengths in CSS px. */
export interface Scroller {
  /** Where scroll events arrive. */
  target: EventTarget;
  /** The box that scrolls; `undefined` when it is the page. */
  box: Element | undefined;
  position(): number;
  /** The height of the part that shows content. */
  viewport(): number;
  scrollHeight(): number;
  /** The distance of an element's top edge from the top of what is scrolled. */
  topOf(element: Element): number;
}

/** The boxes around an element that clip it as those that scroll do, the nearest first; the page is none of them. */
export function scrollBoxesAround(element: Element): Element[] {
  const { documentElement: root, body } = element.ownerDocument;
  const clips = (box: Element) => /auto|scroll|hidden/.test(getComputedStyle(box).overflowY);
  const boxes: Element[] = [];
  for (let box = element.parentElement; box && box !== root; box = box.parentElement)
    // What is said of the body is said of the page, unless the page says something itself.
    if (clips(box) && (box !== body || clips(root))) boxes.push(box);
  return boxes;
}

/** Whether a reader can scroll a box: one that hides what overflows it sideways, or all, does not scroll for that. */
function scrolls(box: Element): boolean {
  const { overflowX, overflowY } = getComputedStyle(box);
  return (
    overflowY === "scroll" ||
    box.scrollTop > 0 ||
    (overflowY === "auto" && (overflowX !== "hidden" || box.scrollHeight > box.clientHeight + 1))
  );
}

/** The scroller of an element. */
export function scrollerOf(element: Element): Scroller {
  const root = element.ownerDocument.scrollingElement ?? element.ownerDocument.documentElement;
  const box = scrollBoxesAround(element).find(scrolls);
  if (!box) {
    const view = element.ownerDocument.defaultView as Window;
    return {
      target: element.ownerDocument,
      box: undefined,
      position: () => view.scrollY,
      viewport: () => view.innerHeight,
      scrollHeight: () => root.scrollHeight,
      topOf: (inner) => inner.getBoundingClientRect().top + view.scrollY,
    };
  }
  const scroller = box;
  return {
    target: scroller,
    box: scroller,
    position: () => scroller.scrollTop,
    viewport: () => scroller.clientHeight,
    scrollHeight: () => scroller.scrollHeight,
    topOf: (inner) =>
      inner.getBoundingClientRect().top -
      scroller.getBoundingClientRect().top -
      scroller.clientTop +
      scroller.scrollTop,
  };
}
