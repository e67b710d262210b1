/** A length with its unit. Percentages refer to the width or height of the box around, as in CSS. */
export type Length = 0 | `${number}${LengthUnit}`;

export type LengthUnit = "px" | "%" | "rem" | "vw" | "vh" | `${"s" | "l" | "d"}v${"w" | "h"}`;

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

/** Splits a length into number and unit; `undefined` when the text is not a length. */
export function parseLength(length: Length | string): { value: number; unit: LengthUnit } | undefined {
  if (length === 0 || length === "0") return { value: 0, unit: "px" };
  const match = pattern.exec(String(length));
  if (!match) return undefined;
  return { value: Number(match[1]), unit: match[2]?.toLowerCase() as LengthUnit };
}

/**
 * A length in CSS pixels. The small, large and dynamic viewport units are all taken from the given viewport:
 * they differ only while a phone's toolbars slide, and then the caller gives the viewport it means.
 *
 * @throws RangeError when the text is not a length
 */
export function resolveLength(length: Length | string, context: LengthContext): number {
  const parsed = parseLength(length);
  if (!parsed) throw new RangeError(`"${length}" is not a length: write a number and one of px % rem vw vh`);
  const { value, unit } = parsed;
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
  for (const length of lengths) {
    const parsed = parseLength(length);
    if (parsed) totals.set(parsed.unit, (totals.get(parsed.unit) ?? 0) + parsed.value);
  }
  const terms = [...totals]
    .filter(([, value]) => value !== 0)
    .map(([unit, value]) => `${+value.toFixed(6)}${unit}`);
  if (terms.length === 0) return "0px";
  return terms.length === 1 ? (terms[0] as string) : `calc(${terms.join(" + ")})`;
}
