import type { Arithmetic } from "./arithmetic.ts";

/** The height of a backdrop of the whole page at a speed: it covers every viewport from the page's top to its end. */
export const backdropHeight = <T>(a: Arithmetic<T>, speed: T, viewport: T, page: T): T =>
  a.add(viewport, a.multiply(speed, a.subtract(page, viewport)));

/** How far the page's backdrop has slid against the page when that is scrolled by so many px. */
export const backdropOffset = <T>(a: Arithmetic<T>, speed: T, scrolled: T): T =>
  a.multiply(a.subtract(a.number(1), speed), scrolled);
