/**
 * One step of an exponential approach: the part of the way from `from` to `to` that is done in `milliseconds`, when
 * half of it takes `halfLife`. The same at any frame rate, since two steps do what one of both lengths does. It is
 * there when it is nearer than `near`.
 */
export function approach(
  from: number,
  to: number,
  milliseconds: number,
  halfLife: number,
  near = 0.1,
): number {
  if (halfLife <= 0 || Math.abs(to - from) < near) return to;
  return to + (from - to) * 2 ** (-milliseconds / halfLife);
}
