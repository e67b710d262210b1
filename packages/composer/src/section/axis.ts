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

/** Speeds that differ by less than this share of the faster one cannot be told apart, as the check of depths has it. */
const apart = 0.05;

/** Runs of neighbours that a viewer cannot tell apart by their speed, though they are not the same: the nearest and the farthest of each. Speeds come the fastest first. */
export function bracketsOf(speeds: readonly number[]): [near: number, far: number][] {
  const runs: [number, number][] = [];
  for (const [index, speed] of speeds.entries()) {
    const before = speeds[index - 1];
    if (before === undefined || before === speed || 1 - speed / before >= apart) continue;
    const last = runs.at(-1);
    if (last && last[1] === before) last[1] = speed;
    else runs.push([before, speed]);
  }
  return runs;
}
