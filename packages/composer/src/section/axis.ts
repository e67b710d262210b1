import { fastest } from "../edit/set-depth.ts";

/** The axis of the section: speed, so that equal distances are equal differences of movement; the reader is at its left. */
export interface Axis {
  /** Where the fastest and the horizon stand, in px. */
  from: number;
  to: number;
}

export const placeOf = (speed: number, { from, to }: Axis): number =>
  from + (1 - Math.min(speed, fastest) / fastest) * (to - from);

export const speedAtPlace = (x: number, { from, to }: Axis): number =>
  fastest * (1 - Math.min(Math.max((x - from) / (to - from), 0), 1));

/**
 * Rows for cards that would cover each other: each goes into the first row that has room where it stands. Cards come in
 * the order in which they keep their rows.
 */
export function rowsOf(places: readonly number[], width: number): number[] {
  const taken: number[][] = [];
  return places.map((x) => {
    const free = taken.findIndex((row) => row.every((other) => Math.abs(other - x) >= width));
    const row = free < 0 ? taken.length : free;
    taken[row] = [...(taken[row] ?? []), x];
    return row;
  });
}
