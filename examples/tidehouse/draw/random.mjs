import { createNoise2D } from "simplex-noise";

/** A seeded source of chance (mulberry32): the same seed draws the same picture on every machine. */
export function seeded(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    /** A number from `low` to `high`. */
    between: (low, high) => low + (high - low) * next(),
    /** A number around `mean`, mostly within `spread` of it. */
    around: (mean, spread) => mean + spread * (next() + next() + next() - 1.5) * 0.8,
    pick: (list) => list[Math.floor(next() * list.length)],
    noise: createNoise2D(next),
  };
}

/** Noise of several octaves, about -1 to 1. */
export function fractal(noise, x, y, octaves = 4) {
  let sum = 0;
  let weight = 0.5;
  for (let octave = 0; octave < octaves; octave++) {
    sum += weight * noise(x, y);
    x = x * 2.03 + 17.1;
    y = y * 2.03 - 9.7;
    weight /= 2;
  }
  return sum;
}
