/** How many px of the screen a px of an element is: other than 1 in what is zoomed or scaled. */
export function scaleOf(element: HTMLElement): number {
  const { width } = element.getBoundingClientRect();
  const zoom = (element as HTMLElement & { currentCSSZoom?: number }).currentCSSZoom ?? 1;
  return element.offsetWidth > 0 ? width / element.offsetWidth : zoom;
}
