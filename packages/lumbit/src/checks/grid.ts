import type { Box } from "../core/index.ts";

/** Points spread evenly over a box, row by row. */
export const gridIn = (box: Box, across: number, down: number): { x: number; y: number }[] =>
  Array.from({ length: across * down }, (_, index) => ({
    x: box.left + (((index % across) + 0.5) / across) * box.width,
    y: box.top + ((Math.floor(index / across) + 0.5) / down) * box.height,
  }));
