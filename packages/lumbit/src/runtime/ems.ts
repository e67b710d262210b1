/**
 * How wide a text's widest line is, in font sizes, whatever moves or scales it. Measured at a large size, because
 * browsers may round the letters of small ones to whole pixels.
 */
export function emsOf(element: HTMLElement | null): number {
  if (!element?.firstChild) return 1;
  const size = 1000;
  element.style.setProperty("font-size", `${size}px`, "important");
  const range = element.ownerDocument.createRange();
  range.selectNodeContents(element);
  const scale =
    element.getBoundingClientRect().width / Number.parseFloat(getComputedStyle(element).width) || 1;
  const ems = range.getBoundingClientRect().width / scale / size;
  element.style.removeProperty("font-size");
  return Number(ems.toFixed(4)) || 1;
}
