/** A width and a height in px. */
export interface Size {
  width: number;
  height: number;
}

/** A rectangle in px. */
export interface Box extends Size {
  left: number;
  top: number;
}

/** Whether two rectangles share any area. */
export const intersects = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width &&
  b.left < a.left + a.width &&
  a.top < b.top + b.height &&
  b.top < a.top + a.height;

/** What two rectangles share; its width or height is 0 or less when they share nothing. */
export function intersection(a: Box, b: Box): Box {
  const [left, top] = [Math.max(a.left, b.left), Math.max(a.top, b.top)];
  return {
    left,
    top,
    width: Math.min(a.left + a.width, b.left + b.width) - left,
    height: Math.min(a.top + a.height, b.top + b.height) - top,
  };
}
