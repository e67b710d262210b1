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
