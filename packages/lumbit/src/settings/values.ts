import { either, type Grammar, media, number, pattern, typed } from "./grammar.ts";

/** A length with its unit, or a sum of such lengths as CSS has it. Percentages refer to the box around, as in CSS. */
export type Length = 0 | `${number}${LengthUnit}` | `calc(${string})`;

export type LengthUnit = "px" | "%" | "rem" | "vw" | "vh" | `${"s" | "l" | "d"}v${"w" | "h"}`;

/** Distance behind the page surface in camera distances, more than -1; `"horizon"` is infinitely far. */
export type Depth = number | "horizon";

/** A moment of a passage: a range of the scroll-driven animation standard, and a percentage of it or a distance from its start. */
export type Moment = `${RangeName} ${number}${"%" | "px" | "vh"}`;

export type RangeName = "cover" | "contain" | "entry" | "exit" | "entry-crossing" | "exit-crossing";

/** A CSS easing function. */
export type Easing =
  | "linear"
  | "ease"
  | `ease-${"in" | "out" | "in-out"}`
  | `step-${"start" | "end"}`
  | `cubic-bezier(${string})`
  | `steps(${string})`;

const viewportUnits = ["vw", "vh", "svw", "svh", "lvw", "lvh", "dvw", "dvh"];
/** The units that lengths of the page are written in. */
export const lengthUnits = ["px", "rem", ...viewportUnits];

const lengthOf = <T = Length>(units: readonly string[], negative: boolean, allowed: string): Grammar<T> => ({
  form: "length",
  units,
  negative,
  allowed,
});

/** A length that may be negative, and a percentage. */
export const length = (allowed: string) => lengthOf(["%", ...lengthUnits], true, allowed);

/** A length that is not negative. */
export const extent = (what: string) =>
  lengthOf(
    ["%", ...lengthUnits],
    false,
    `the ${what}: a length such as "40vw", "110%" or "300px", not negative`,
  );

/** A length that is neither negative nor a percentage. */
export const distance = (allowed: string) => lengthOf(lengthUnits, false, allowed);

/** Space between letters: as lengths are, or in font sizes. */
export const spacing = (allowed: string) =>
  lengthOf<Length | `${number}em`>(["em", ...lengthUnits], true, allowed);

export const pixels = (allowed: string) => pattern<`${number}px`>(/^(\d{1,5}(\.\d*)?|\.\d+)px$/, allowed);

export const depth = (allowed: string): Grammar<Depth> =>
  either(
    [number({ above: -1, most: 1_000_000 }, allowed), typed<"horizon">(pattern(/^horizon$/, '"horizon"'))],
    allowed,
  );

export const moment = pattern<Moment>(
  /^(cover|contain|entry|exit|entry-crossing|exit-crossing) ((100|\d{1,2}(\.\d+)?)%|\d{1,5}(\.\d+)?(px|vh))$/,
  'a range name (cover, contain, entry, exit, entry-crossing, exit-crossing) and a percentage from 0 to 100 of it, or a distance from its start in px or vh, such as "entry 0%", "contain 50%" or "cover 200px"',
);

/** What is cut off at one to four sides, each in px or percentages. */
export const clip = pattern(
  /^((\d+\.?\d*|\.\d+)(px|%)|0)( ((\d+\.?\d*|\.\d+)(px|%)|0)){0,3}$/,
  'what is cut off at the top, right, bottom and left, such as "0% 100% 0% 0%"',
);

export const easing = pattern<Easing>(
  /^(linear|ease|ease-in|ease-out|ease-in-out|step-start|step-end|cubic-bezier\((\s*(0|1|0?\.\d+|[01]\.0*)\s*,\s*-?(\d+\.?\d*|\.\d+)\s*(,(?=[^,]+,)|(?=\)))){2}\)|steps\(\s*[1-9]\d*\s*(,\s*(start|end|jump-start|jump-end|jump-none|jump-both)\s*)?\))$/,
  'a CSS easing function such as "ease-in", "cubic-bezier(0.2, 0, 0, 1)" or "steps(4)"',
);

export const path = (allowed: string) => pattern(/^(?![a-z][a-z0-9+.-]*:|[/\\])[^\\\0?#]+$/i, allowed);

export const namePattern = /^[\p{L}][\p{L}\p{N}_-]*$/u;

export const name = pattern(
  namePattern,
  "a name that starts with a letter and goes on with letters, digits, - and _",
);

export const mediaQuery = media(
  'a media query of width, height, aspect-ratio, orientation, pointer or hover, such as "(max-width: 600px)" or "(orientation: portrait) and (pointer: coarse)"',
);
