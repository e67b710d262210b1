import type { Box } from "lumbit/core";

export interface Point {
  x: number;
  y: number;
}

/** A box brought so far. */
export const shiftedBy = (box: Box, { x, y }: Point): Box => ({
  ...box,
  left: box.left + x,
  top: box.top + y,
});

/** The box between two points. */
export const boxOf = (a: Point, b: Point): Box => ({
  left: Math.min(a.x, b.x),
  top: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
});

/** The least box around others. */
export function around(boxes: readonly Box[]): Box {
  const left = Math.min(...boxes.map(({ left }) => left));
  const top = Math.min(...boxes.map(({ top }) => top));
  return {
    ...{ left, top },
    width: Math.max(...boxes.map(({ left, width }) => left + width)) - left,
    height: Math.max(...boxes.map(({ top, height }) => top + height)) - top,
  };
}
