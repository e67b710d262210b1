import type { Length, LengthUnit } from "../settings/index.ts";

export type { Length, LengthUnit } from "../settings/index.ts";

/** The part of the screen that shows the page, in CSS pixels. */
export interface Viewport {
  width: number;
  height: number;
  /** What its main pointing device can do; by default `coarse`, as on telephones and tablets, below 1000 px of width. */
  pointer?: "none" | "coarse" | "fine";
}

/** What lengths are resolved against. */
export interface LengthContext {
  viewport: Viewport;
  /** What 100 % is, in px. */
  percent: number;
  /** The root element's font size in px; 16 by default, as in every browser until its reader changes it. */
  rem?: number;
}

const pattern = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(px|%|rem|[sld]?v[wh])$/i;

/** Splits a length into number and unit; `undefined` when the text is not a length, or is a sum of several. */
export function parseLength(length: Length | string): { value: number; unit: LengthUnit } | undefined {
  if (length === 0 || length === "0") return { value: 0, unit: "px" };
  const match = pattern.exec(String(length));
  if (!match) return undefined;
  return { value: Number(match[1]), unit: match[2]?.toLowerCase() as LengthUnit };
}

/** The terms of a length, one or, of a `calc()`, several that add up; `undefined` when the text is not a length. */
export function termsOf(length: Length | string): { value: number; unit: LengthUnit }[] | undefined {
  const one = parseLength(length);
  if (one) return [one];
  const sum = /^calc\((.+)\)$/s.exec(String(length))?.[1]?.trim();
  if (sum === undefined) return undefined;
  const [first = "", ...rest] = sum.split(/\s+([+-])\s+/);
  const terms = [
    first,
    ...rest.filter((_, at) => at % 2 === 1).map((term, at) => signed(rest[2 * at], term)),
  ];
  const parsed = terms.map((term) => parseLength(term));
  return parsed.includes(undefined) ? undefined : (parsed as { value: number; unit: LengthUnit }[]);
}

/** A term behind its sign. */
const signed = (sign: string | undefined, term: string) =>
  sign === "-" ? (term.startsWith("-") ? term.slice(1) : `-${term.replace(/^\+/, "")}`) : term;

/**
 * A length in CSS pixels. The small, large and dynamic viewport units are all taken from the given viewport:
 * they differ only while a phone's toolbars slide, and then the caller gives the viewport it means.
 *
 * @throws RangeError when the text is not a length
 */
export function resolveLength(length: Length | string, context: LengthContext): number {
  const terms = termsOf(length);
  if (!terms) throw new RangeError(`"${length}" is not a length: write a number and one of px % rem vw vh`);
  return terms.reduce((sum, { value, unit }) => sum + resolveTerm(value, unit, context), 0);
}

function resolveTerm(value: number, unit: LengthUnit, context: LengthContext): number {
  if (unit === "px") return value;
  if (unit === "%") return (value / 100) * context.percent;
  if (unit === "rem") return value * (context.rem ?? 16);
  return (value / 100) * (unit.endsWith("w") ? context.viewport.width : context.viewport.height);
}

/** So many px in a unit: what `resolveLength` makes so many px of. */
export function inUnit(px: number, unit: LengthUnit, context: LengthContext): number {
  return px / resolveLength(`1${unit}`, context);
}

/** The sum of lengths as a CSS length that holds at every viewport: one term a unit. */
export function sumLengths(lengths: readonly Length[]): string {
  const totals = new Map<LengthUnit, number>();
  for (const { value, unit } of lengths.flatMap((length) => termsOf(length) ?? []))
    totals.set(unit, (totals.get(unit) ?? 0) + value);
  const terms = [...totals]
    .filter(([, value]) => value !== 0)
    .map(([unit, value]) => `${+value.toFixed(6)}${unit}`);
  if (terms.length === 0) return "0px";
  return terms.length === 1 ? (terms[0] as string) : `calc(${terms.join(" + ")})`;
}
