import type { Box } from "lumbit/core";

/** A line that something was brought to: where it is, and from where to where it is drawn, in px of the screen. */
export interface Guide {
  axis: "x" | "y";
  at: number;
  from: number;
  to: number;
}

/** Edges and middles nearer than this attract, in px of the composer's own screen. */
export const reach = 6;

/** How far a moved box is from standing in line with others on both axes, if it is near enough, and the lines that it stands on then. */
export function attracted(
  box: Box,
  others: readonly Box[],
  within: number,
): { x: number; y: number; guides: Guide[] } {
  const x = nearest(
    linesOf(box, "x"),
    others.flatMap((other) => linesOf(other, "x")),
    within,
  );
  const y = nearest(
    linesOf(box, "y"),
    others.flatMap((other) => linesOf(other, "y")),
    within,
  );
  const there = { ...box, left: box.left + x, top: box.top + y };
  const guides = (["x", "y"] as const).flatMap((axis) => {
    const across = axis === "x" ? "y" : "x";
    return linesOf(there, axis).flatMap((at): Guide[] => {
      const met = others.filter((other) => linesOf(other, axis).some((line) => Math.abs(line - at) < 0.01));
      if (met.length === 0) return [];
      const ends = [there, ...met].flatMap((one) => linesOf(one, across));
      return [{ axis, at, from: Math.min(...ends), to: Math.max(...ends) }];
    });
  });
  return { x, y, guides };
}

/** The two edges and the middle of a box on an axis. */
function linesOf(box: Box, axis: "x" | "y"): number[] {
  const [start, size] = axis === "x" ? [box.left, box.width] : [box.top, box.height];
  return [start, start + size / 2, start + size];
}

/** The least way from one of some lines to one of others, 0 where all are too far. */
function nearest(own: readonly number[], others: readonly number[], within: number): number {
  let least = Number.POSITIVE_INFINITY;
  for (const line of own)
    for (const other of others) if (Math.abs(other - line) < Math.abs(least)) least = other - line;
  return Math.abs(least) <= within ? least : 0;
}
