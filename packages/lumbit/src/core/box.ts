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

/** Whether two rectangles share any area; with one that is empty nothing does. */
export function intersects(a: Box, b: Box): boolean {
  const { width, height } = intersection(a, b);
  return width > 0 && height > 0;
}

/** Whether a point is in a rectangle, its edges included. */
export const contains = (box: Box, { x, y }: { x: number; y: number }): boolean =>
  x >= box.left && x <= box.left + box.width && y >= box.top && y <= box.top + box.height;

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
