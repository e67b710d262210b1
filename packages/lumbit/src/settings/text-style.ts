import { choice, either, type Grammar, number, object, type Setting, typed } from "./grammar.ts";
import { color, fontFamily } from "./shared.ts";
import { extent, type Length, pixels, spacing } from "./values.ts";

/** A size that grows with the width of the viewport: `min` at `from` or narrower, `max` at `to` or wider. */
export interface FluidSize {
  min: `${number}px`;
  max: `${number}px`;
  /** Viewport width in px at which `min` ends; 360 by default. */
  from?: number;
  /** Viewport width in px at which `max` is reached; 1440 by default. */
  to?: number;
}

/** A size at which the widest line of a text is exactly as wide as said; the text breaks only where it says. */
export interface FittedSize {
  /** Percentages are of the width of the box around, as in `place`. */
  fit: Length;
}

const fluid = typed<FluidSize>(
  object(
    {
      min: {
        grammar: pixels('the smallest text size in px, such as "40px"'),
        meaning: "The size on narrow screens.",
        required: true,
      },
      max: {
        grammar: pixels('the largest text size in px, such as "120px"'),
        meaning: "The size on wide screens.",
        required: true,
      },
      from: {
        grammar: number({ least: 0, most: 99_999 }, "the viewport width in px at which min ends, 0 or more"),
        meaning: "The viewport width in px from which it grows.",
        otherwise: "360",
      },
      to: {
        grammar: number(
          { above: 0, most: 99_999 },
          "the viewport width in px at which max is reached, more than 0",
        ),
        meaning: "The viewport width in px up to which it grows.",
        otherwise: "1440",
      },
    },
    "sizes of a text that grows with the viewport: min, max, from and to",
  ),
);

const fitted = typed<FittedSize>(
  object(
    {
      fit: {
        grammar: extent("width that the text is fitted to"),
        meaning:
          "The width that the widest line has; `place` gives none then, and `letterSpacing` is in `em`.",
        required: true,
      },
    },
    "the width that a text is fitted to",
  ),
);

const fontSize = <Sizes>(
  sizes: readonly Grammar[],
  allowed: string,
): Setting<Sizes> & { byRule: true; kinds: readonly ["text"] } => ({
  grammar: typed<Sizes>(either(sizes, allowed)),
  meaning:
    'Size of the letters: a length, `{ "min", "max", "from", "to" }` to grow with the viewport\'s width, or `{ "fit": "80%" }` to fill a width with the widest line.',
  otherwise: '"1rem"',
  kinds: ["text"],
  byRule: true,
});

/** How letters look, named as the CSS properties are in the CSSOM. */
const letters = {
  color: { grammar: color, meaning: "Color of the letters.", kinds: ["text"], byRule: true },
  fontFamily: {
    grammar: fontFamily,
    meaning: "Font of the letters; the page's without it.",
    kinds: ["text"],
    byRule: true,
  },
  fontWeight: {
    grammar: number({ least: 1, most: 1000 }, "a font weight from 1 to 1000"),
    meaning: "Weight of the letters.",
    otherwise: "400",
    kinds: ["text"],
    byRule: true,
  },
  fontStyle: {
    grammar: choice(["normal", "italic"]),
    meaning: "Upright or italic letters.",
    otherwise: '"normal"',
    kinds: ["text"],
    byRule: true,
  },
  lineHeight: {
    grammar: number({ above: 0, most: 100 }, "the line height in font sizes, a number above 0"),
    meaning: "Distance from line to line, in font sizes.",
    otherwise: "1.3",
    kinds: ["text"],
    byRule: true,
  },
  letterSpacing: {
    grammar: spacing('the space between letters: a length such as "-0.02em" or "1px"'),
    meaning: "Space between letters.",
    otherwise: "0",
    kinds: ["text"],
    byRule: true,
  },
  textAlign: {
    grammar: choice(["left", "center", "right"]),
    meaning: "Where lines begin; where the page's language begins them without it.",
    kinds: ["text"],
    byRule: true,
  },
  maxWidth: {
    grammar: extent("greatest width of the text"),
    meaning: "The text is never wider than this; percentages are of the scene's width.",
    kinds: ["text"],
    byRule: true,
  },
  outline: {
    grammar: extent("width of the letters' outline"),
    meaning: "Draws the letters as outlines of this width only.",
    kinds: ["text"],
    byRule: true,
  },
} as const satisfies Record<string, Setting>;

/** Text settings of a layer. */
export const textStyle = {
  ...letters,
  fontSize: fontSize<Length | FluidSize | FittedSize>(
    [extent("text size"), fluid, fitted],
    'a length such as "3rem", { "min": "40px", "max": "120px" } to grow with the viewport, or { "fit": "80%" } to fill a width',
  ),
};

/** Text settings of a block of content, which nothing is fitted in. */
export const blockStyle = {
  ...letters,
  fontSize: fontSize<Length | FluidSize>(
    [extent("text size"), fluid],
    'a length such as "3rem", or { "min": "40px", "max": "120px" } to grow with the viewport',
  ),
};
