/** The distance of an element's top from that of the page's, whatever moves, scales or turns it. */
export function layoutTop(element: HTMLElement): number {
  let top = 0;
  for (let at: Element | null = element; at && "offsetTop" in at; at = (at as HTMLElement).offsetParent)
    top += (at as HTMLElement).offsetTop;
  return top;
}

/** The distance of an element's left side from that of the page's, whatever moves, scales or turns it. */
export function layoutLeft(element: HTMLElement): number {
  let left = 0;
  for (let at: Element | null = element; at && "offsetLeft" in at; at = (at as HTMLElement).offsetParent)
    left += (at as HTMLElement).offsetLeft;
  return left;
}
