import { clamp, mix, smooth, waterAt } from "./colour.mjs";
import { grain, perPixel } from "./pixels.mjs";
import { fractal, seeded } from "./random.mjs";

/** Where the sun stands over the water, in shares of the picture: above its top edge. */
const sun = { x: 0.6, y: -0.28 };

/** Open water from the surface down: the bright window overhead, its ripples, and the fall of light. */
export function drawOpenWater(width, height) {
  const { noise, next } = seeded(11);
  const aspect = width / height;
  return perPixel(width, height, (x, y) => {
    const far = Math.hypot((x - sun.x) * aspect * 0.62, y - sun.y * 0.35);
    const drift = fractal(noise, x * 2.2, y * 1.6, 3) * 0.05;
    const depth = clamp(y * 0.74 + far * 0.26 + 0.01 + drift);
    let colour = waterAt(depth);
    // The surface seen from below: ripples foreshortened towards the top edge.
    const near = smooth(0.24, 0, y);
    if (near > 0) {
      const v = 0.5 / (y + 0.05);
      const u = (x - sun.x) * v * 1.5;
      const ridge = 1 - Math.abs(fractal(noise, u * 1.4 + 4, v * 2.1, 4)) * 2.3;
      const ripple = smooth(0.45, 1, ridge) * near * near;
      colour = mix(colour, [250, 255, 238], ripple * smooth(0.95, 0.1, Math.abs(x - sun.x) * 1.3) * 0.8);
    }
    const glow = smooth(0.75, 0, far);
    colour = mix(colour, [240, 252, 226], glow * glow * 0.5);
    return grain(colour, next);
  });
}

/** Soft shafts of light that fan out from the sun, brighter near the surface. Transparent between them. */
export function drawShafts(width, height) {
  const { noise } = seeded(23);
  const aspect = width / height;
  return perPixel(width, height, (x, y) => {
    const dx = (x - sun.x) * aspect;
    const dy = y - sun.y;
    const angle = Math.atan2(dx, dy);
    const reach = Math.hypot(dx, dy);
    const wide = fractal(noise, angle * 5.2 + 3, reach * 0.25, 2);
    const fine = fractal(noise, angle * 17, reach * 0.5 + 8, 3);
    const shaft = smooth(0.02, 0.52, wide * 0.75 + fine * 0.55);
    const fall = smooth(1.3, 0.15, reach) * smooth(1.05, 0.15, Math.abs(angle));
    return [222, 248, 220, 255 * clamp(shaft * fall * 0.5)];
  });
}
