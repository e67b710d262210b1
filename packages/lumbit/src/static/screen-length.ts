import { type Arithmetic, numbers, steep, type Viewport } from "../core/index.ts";
import { round } from "../markup/index.ts";

/**
 * A length in what is known of a screen before anything is loaded: px, `vw` and `vh`, added up, or the smallest or
 * largest of such sums. A number without unit has `number` alone.
 */
export type ScreenLength = Sum | { pick: "min" | "max"; of: readonly ScreenLength[] };

interface Sum {
  number: number;
  px: number;
  vw: number;
  vh: number;
}

const units = ["px", "vw", "vh"] as const;

export const sum = (terms: Partial<Sum>): Sum => ({ number: 0, px: 0, vw: 0, vh: 0, ...terms });

/** Between these, in px, a screen has its width and height: what is larger at all four corners is larger on any screen. */
const narrowest = 200;
const widest = 8000;
const corners: Viewport[] = [narrowest, widest].flatMap((width) =>
  [narrowest, widest].map((height) => ({ width, height })),
);

/** A length on a screen, in px. */
export function lengthAt(length: ScreenLength, { width, height }: Viewport): number {
  if ("pick" in length)
    return numbers[length.pick](...length.of.map((one) => lengthAt(one, { width, height })));
  return length.number + length.px + (length.vw * width + length.vh * height) / 100;
}

/** The formulas of the model for screens that nobody has seen yet. One factor of a product is a number. */
export const screenLengths: Arithmetic<ScreenLength> = {
  number: (number) => sum({ number }),
  px: (px) => sum({ px }),
  add: (...terms) => terms.reduce(added),
  subtract: (from, ...terms) => terms.reduce((rest, term) => added(rest, scaled(term, -1)), from),
  multiply: (...factors) => factors.reduce(product),
  divide: (value, by) => scaled(value, 1 / lengthAt(by, { width: 0, height: 0 })),
  min: (...values) => picked("min", values),
  max: (...values) => picked("max", values),
  clamp: (low, value, high) => picked("max", [low, picked("min", [value, high])]),
  where: (positive, value) => picked("max", [sum({}), picked("min", [scaled(positive, steep), value])]),
};

const isNumber = (one: ScreenLength): one is Sum =>
  !("pick" in one) && units.every((unit) => one[unit] === 0);

function product(a: ScreenLength, b: ScreenLength): ScreenLength {
  if (isNumber(a)) return scaled(b, a.number);
  if (isNumber(b)) return scaled(a, b.number);
  throw new RangeError("a length times a length is an area");
}

function scaled(one: ScreenLength, by: number): ScreenLength {
  if ("pick" in one) {
    const turned = one.pick === "min" ? "max" : "min";
    return picked(
      by < 0 ? turned : one.pick,
      one.of.map((inner) => scaled(inner, by)),
    );
  }
  return sum({ number: one.number * by, px: one.px * by, vw: one.vw * by, vh: one.vh * by });
}

function added(a: ScreenLength, b: ScreenLength): ScreenLength {
  if ("pick" in a)
    return picked(
      a.pick,
      a.of.map((one) => added(one, b)),
    );
  if ("pick" in b) return added(b, a);
  return sum({ number: a.number + b.number, px: a.px + b.px, vw: a.vw + b.vw, vh: a.vh + b.vh });
}

/** The smallest or largest, without those that are so on no screen. */
function picked(pick: "min" | "max", values: readonly ScreenLength[]): ScreenLength {
  const flat = values.flatMap((one) => ("pick" in one && one.pick === pick ? one.of : [one]));
  const kept = flat.reduce<ScreenLength[]>((kept, one) => {
    if (kept.some((other) => isNever(pick, one, other))) return kept;
    return [...kept.filter((other) => !isNever(pick, other, one)), one];
  }, []);
  return kept.length === 1 ? (kept[0] as ScreenLength) : { pick, of: kept };
}

/** Whether a length is never the smallest, or the largest, beside another one. */
function isNever(pick: "min" | "max", one: ScreenLength, other: ScreenLength): boolean {
  if (pick === "min") return isNeverLess(one, other);
  return isNeverLess(other, one);
}

/** Whether a length is at least another one on every screen; not every pair that is so is found. */
function isNeverLess(a: ScreenLength, b: ScreenLength): boolean {
  if ("pick" in a) return a.of[a.pick === "min" ? "every" : "some"]((one) => isNeverLess(one, b));
  if ("pick" in b) return b.of[b.pick === "max" ? "every" : "some"]((one) => isNeverLess(a, one));
  return corners.every((screen) => lengthAt(a, screen) >= lengthAt(b, screen) - 1e-9);
}

/** A length as CSS. */
export function printLength(length: ScreenLength): string {
  if ("pick" in length) return `${length.pick}(${length.of.map(terms).join(", ")})`;
  const text = terms(length);
  return text.includes(" ") ? `calc(${text})` : text;
}

function terms(length: ScreenLength): string {
  if ("pick" in length) return printLength(length);
  const parts = units.flatMap((unit) => {
    const value = round(Number(length[unit].toFixed(2)));
    return value === 0 ? [] : [{ value, unit }];
  });
  return (
    parts
      .map(({ value, unit }, index) =>
        index === 0 ? `${value}${unit}` : `${value < 0 ? "-" : "+"} ${Math.abs(value)}${unit}`,
      )
      .join(" ") || "0px"
  );
}
