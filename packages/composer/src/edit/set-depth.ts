import { type LayerName, speedAt } from "lumbit/core";
import type { Edit } from "./edit.ts";
import { layerOf } from "./find.ts";

/** Speeds and depths are written with so many decimals. */
const decimals = 2;
/** What is slower than this stands at the horizon. */
const slowest = 0.005;
export const fastest = 2.5;

const rounded = (value: number) => Number(value.toFixed(decimals));

/** Gives a layer the depth at which it moves at a speed (0 at the horizon, 1 with the page), in the words that it is written in. */
export const setSpeed =
  (name: LayerName, speed: number): Edit =>
  (page) => {
    const layer = layerOf(page, name) as { depth?: unknown; speed?: number } | undefined;
    if (!layer) return;
    const within = Math.min(Math.max(speed, 0), fastest);
    if (layer.speed !== undefined) layer.speed = rounded(within);
    else layer.depth = within < slowest ? "horizon" : rounded(1 / within - 1);
  };

/** Gives a layer a depth, in the words that it is written in. */
export const setDepth = (name: LayerName, depth: number): Edit => setSpeed(name, speedAt(depth));
