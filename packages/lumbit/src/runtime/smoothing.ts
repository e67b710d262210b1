/**
 * One step of an exponential approach: the part of the way from `from` to `to` that is done in `milliseconds`, when
 * half of it takes `halfLife`. The same at any frame rate, since two steps do what one of both lengths does.
 */
export function approach(from: number, to: number, milliseconds: number, halfLife: number): number {
  if (halfLife <= 0 || Math.abs(to - from) < 0.1) return to;
  return to + (from - to) * 2 ** (-milliseconds / halfLife);
}
