/**
 * What the formulas of the model are written in. There are two: numbers compute (`numbers`), CSS prints
 * (`markup/arithmetic.ts`), so that a page moves by the same formulas without script.
 */
export interface Arithmetic<T> {
  /** A number without unit. */
  number(value: number): T;
  px(value: number): T;
  add(...terms: readonly T[]): T;
  subtract(from: T, ...terms: readonly T[]): T;
  multiply(...factors: readonly T[]): T;
  divide(value: T, by: T): T;
  min(...values: readonly T[]): T;
  max(...values: readonly T[]): T;
  /** A value that is at least `low` and at most `high`; `low` where they are the wrong way round. */
  clamp(low: T, value: T, high: T): T;
  /** A length of 0 or more where another length is above 0, and 0 where that is not. */
  where(positive: T, value: T): T;
}

/** By what a length is multiplied to tell whether it is above 0: what rounding leaves of nothing stays next to nothing. */
export const steep = 1_000_000;

export const numbers: Arithmetic<number> = {
  number: (value) => value,
  px: (value) => value,
  add: (...terms) => terms.reduce((sum, term) => sum + term, 0),
  subtract: (from, ...terms) => terms.reduce((rest, term) => rest - term, from),
  multiply: (...factors) => factors.reduce((product, factor) => product * factor, 1),
  divide: (value, by) => value / by,
  min: Math.min,
  max: Math.max,
  clamp: (low, value, high) => Math.max(low, Math.min(value, high)),
  where: (positive, value) => Math.max(0, Math.min(steep * positive, value)),
};
