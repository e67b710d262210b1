/** The window that an element is shown in: media queries are asked there, in a frame not of the page around it. */
export const viewOf = (element: Element): Window & typeof globalThis =>
  element.ownerDocument.defaultView ?? window;
