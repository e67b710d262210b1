import { speedAt } from "./depth.ts";

/**
 * How much of a layer's opacity is left: haze takes a share that grows with 1 - speed, up to `haze` infinitely far.
 * The horizon itself is what the haze shows, and stays.
 */
export const hazedOpacity = (depth: number, haze = 0): number =>
  Number.isFinite(depth) ? 1 - haze * Math.max(0, 1 - speedAt(depth)) : 1;
