import {
  choice,
  css,
  type Grammar,
  type Kind,
  list,
  number,
  object,
  pattern,
  type Setting,
  typed,
} from "./grammar.ts";
import { passageOf, pieces } from "./shared.ts";
import { clip, easing, length, moment, pixels, spacing } from "./values.ts";

/** A property that a ramp may change. */
export interface RampProperty<T = unknown> {
  /** How its values are written. */
  grammar: Grammar<T>;
  meaning: string;
  /** The kinds of layers that have it; all without it. */
  kinds?: readonly Kind[];
  /** Whether the pieces of a text may have it one after the other: it needs no box of its own. */
  inPieces?: true;
  /** What it is without a ramp, where a pose tells of it. */
  rest?: 0 | 1;
}

const factor = number({ least: 0, most: 100 }, "a factor of 0 or more");

/** What ramps may change. */
export const rampProperties = {
  opacity: {
    grammar: number({ least: 0, most: 1 }, "a number from 0 to 1"),
    meaning: "Opacity from 0 to 1, times what haze leaves.",
    inPieces: true,
    rest: 1,
  },
  blur: {
    grammar: pixels('a radius in px such as "8px"'),
    meaning: "Blur radius in px, besides that of `focus`.",
    rest: 0,
  },
  scale: { grammar: factor, meaning: "Factor on its size.", rest: 1 },
  rotate: {
    grammar: number({ least: -36000, most: 36000 }, "an angle in degrees"),
    meaning: "Degrees, clockwise.",
    rest: 0,
  },
  x: {
    grammar: length('an offset to the right such as "-40%" or "12vw"'),
    meaning: "Offset to the right, in percentages of its own width; a `travel` is this and `y` in short.",
    rest: 0,
  },
  y: {
    grammar: length('an offset downwards such as "-40%" or "12vh"'),
    meaning: "Offset downwards, in percentages of its own height.",
    rest: 0,
  },
  brightness: { grammar: factor, meaning: "Factor on its brightness.", rest: 1 },
  saturation: { grammar: factor, meaning: "Factor on its saturation.", rest: 1 },
  color: {
    grammar: css("color", 'a CSS color such as "#e9f4ef"'),
    meaning: "Color: of a text its letters', of a shape or group its background's.",
    kinds: ["text", "shape", "group"],
    inPieces: true,
  },
  clip: { grammar: clip, meaning: "What is cut off at the top, right, bottom and left." },
  letterSpacing: {
    grammar: spacing('a length such as "0.2em"'),
    meaning: "Space between the letters of a text with a width of its own.",
    kinds: ["text"],
    inPieces: true,
  },
  fontWeight: {
    grammar: number({ least: 1, most: 1000 }, "a font weight from 1 to 1000"),
    meaning: "Weight of the letters of a text with a width of its own.",
    kinds: ["text"],
    inPieces: true,
  },
  backgroundPosition: {
    grammar: pattern<`${number}% ${number}%`>(
      /^[+-]?(\d+\.?\d*|\.\d+)% [+-]?(\d+\.?\d*|\.\d+)%$/,
      'two percentages such as "20% 50%"',
    ),
    meaning: "Which part of a picture or gradient shows, across and down.",
    kinds: ["image", "shape", "group"],
  },
  axis: {
    grammar: number({ least: -100_000, most: 100_000 }, "a number on the axis"),
    meaning: "Another axis of a variable font, by its tag in `axis`.",
    kinds: ["text"],
    inPieces: true,
  },
} as const satisfies Record<string, RampProperty>;

export type RampName = keyof typeof rampProperties;

const names = Object.keys(rampProperties) as RampName[];

/** A ramp of a layer. */
export const ramp = {
  property: {
    grammar: choice(names, `a property: ${names.map((name) => `"${name}"`).join(", ")}`),
    meaning: "The property that follows the scroll.",
    required: true,
  },
  stops: {
    grammar: list(
      object(
        {
          at: {
            grammar: moment,
            meaning: "The moment at which the property has this value.",
            required: true,
          },
          value: {
            grammar: typed<string | number>({
              form: "either",
              of: [
                number({ least: -100_000, most: 100_000 }, "a number"),
                { form: "text", least: 0, allowed: "a text" },
              ],
              allowed: "a value of the property",
            }),
            meaning: "The value at the moment.",
            required: true,
          },
          easing: {
            grammar: easing,
            meaning: "How it goes on from there, evenly without it.",
            otherwise: '"linear"',
          },
        },
        "a stop: at, value, easing",
      ),
      "a list of two or more stops, each a moment and a value",
      2,
    ),
    meaning: "The values it has at moments, two or more in the order in which they are passed.",
    required: true,
  },
  of: { grammar: passageOf, meaning: "Whose passage the moments belong to.", otherwise: '"scene"' },
  axis: {
    grammar: pattern(
      /^[A-Za-z0-9]{4}$/,
      'the tag of an axis of a variable font, four letters such as "wdth"',
    ),
    meaning: "Of the property `axis`: the tag of the axis.",
  },
  pieces: {
    grammar: pieces,
    meaning:
      "Of a text: it runs over its lines (as they stand on the reader's screen; without script, those that the text breaks into with `\\n`), words or letters, one after the other.",
  },
  stagger: {
    grammar: number(
      { least: 0, most: 0.95 },
      "how much of the whole way passes until the last piece begins, from 0 to 0.95",
    ),
    meaning: "How much of the whole way passes until the last piece begins.",
    otherwise: "0.5",
  },
} as const satisfies Record<string, Setting>;
