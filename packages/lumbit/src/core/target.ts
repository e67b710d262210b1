import type { Arithmetic } from "./arithmetic.ts";

/** What it depends on when a layer is in the middle of the screen, in px. */
export interface TargetInput<T> {
  viewport: T;
  scene: T;
  /** Its top at the settle moment, against its scene, and its height. */
  top: T;
  height: T;
  /** How far it slides down per scrolled px. */
  drift: T;
  settle: T;
}

/** A layer that goes slower than this share of the page's speed is nowhere nearer to the middle of the screen at any moment. */
const slowest = 0.02;

/**
 * How far the top of the screen is below the top of a scene when a layer of it is in the middle of the screen: with
 * p = V + u, u = t + h / 2 + k * (p - p0) - V / 2. Nowhere but within the passage.
 */
export function targetOf<T>(
  a: Arithmetic<T>,
  { viewport, scene, top, height, drift, settle }: TargetInput<T>,
): T {
  const half = a.number(0.5);
  const middle = a.subtract(a.add(top, a.multiply(half, height)), a.multiply(half, viewport));
  const slid = a.multiply(drift, a.subtract(viewport, settle));
  const speed = a.max(a.number(slowest), a.subtract(a.number(1), drift));
  return a.clamp(a.multiply(a.number(-1), viewport), a.divide(a.add(middle, slid), speed), scene);
}
