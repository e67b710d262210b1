/** The colours of the water from the surface down: pale jade to near-black blue-green. */
export const waterStops = [
  [0.0, [222, 242, 218]],
  [0.07, [160, 214, 196]],
  [0.17, [88, 170, 162]],
  [0.34, [44, 130, 134]],
  [0.58, [24, 98, 110]],
  [0.82, [15, 72, 86]],
  [1.0, [9, 52, 64]],
];

export const mix = (a, b, share) => a.map((value, index) => value + (b[index] - value) * share);
export const clamp = (value, low = 0, high = 1) => Math.min(Math.max(value, low), high);
export const smooth = (low, high, value) => {
  const t = clamp((value - low) / (high - low));
  return t * t * (3 - 2 * t);
};
export const css = ([r, g, b], alpha = 1) =>
  `rgb(${r.toFixed(0)} ${g.toFixed(0)} ${b.toFixed(0)} / ${alpha.toFixed(3)})`;

/** The water's colour at a depth from 0 (surface) to 1. */
export function waterAt(depth) {
  const d = clamp(depth);
  const next = waterStops.findIndex(([at]) => at >= d);
  if (next <= 0) return waterStops[0][1];
  const [from, a] = waterStops[next - 1];
  const [to, b] = waterStops[next];
  return mix(a, b, (d - from) / (to - from));
}
