import { choice, either, number, object, type Setting, some } from "./grammar.ts";
import { pieces } from "./shared.ts";
import { clip, easing, length, moment, pixels } from "./values.ts";

const milliseconds = (what: string) =>
  number({ least: 0, most: 60_000 }, `the ${what} in milliseconds, from 0 to 60000`);

/** A change that plays once when the scroll passes a moment, from what it says to how the layer was composed. */
export const cue = {
  at: {
    grammar: either(
      [choice(["load"]), moment],
      '"load", or a range name and a percentage from 0 to 100 of it, such as "entry 30%"',
    ),
    meaning: 'The moment at which it plays, or `"load"`: as soon as the page is there.',
    otherwise: '"entry 30%"',
  },
  of: {
    grammar: choice(["layer", "scene"], '"layer" or "scene": whose passage the moment belongs to'),
    meaning: "Whose passage the moment belongs to.",
    otherwise: '"layer"',
  },
  from: {
    grammar: some(
      {
        x: {
          grammar: length('an offset to the right such as "-40%" or "12vw"'),
          meaning: "Offset to the right, in percentages of its own width.",
        },
        y: {
          grammar: length('an offset downwards such as "-40%" or "12vh"'),
          meaning: "Offset downwards, in percentages of its own height.",
        },
        opacity: {
          grammar: number({ least: 0, most: 1 }, "an opacity from 0 to 1"),
          meaning: "Opacity from 0 to 1.",
        },
        scale: {
          grammar: number({ least: 0, most: 100 }, "a factor from 0 to 100"),
          meaning: "Factor on its size.",
        },
        rotate: {
          grammar: number({ least: -36000, most: 36000 }, "an angle in degrees"),
          meaning: "Degrees, clockwise.",
        },
        blur: { grammar: pixels('a radius in px such as "8px"'), meaning: "Blur radius in px." },
        clip: { grammar: clip, meaning: "What is cut off at the top, right, bottom and left." },
      },
      "what the layer comes from: x, y, opacity, scale, rotate, blur, clip; one at least",
    ),
    meaning: "What the layer comes from: any of `x`, `y`, `opacity`, `scale`, `rotate`, `blur`, `clip`.",
    required: true,
  },
  duration: {
    grammar: milliseconds("duration"),
    meaning: "How long it takes, in milliseconds.",
    otherwise: "700",
  },
  delay: { grammar: milliseconds("delay"), meaning: "How late it begins, in milliseconds.", otherwise: "0" },
  easing: { grammar: easing, meaning: "How it runs.", otherwise: '"ease-out"' },
  pieces: {
    grammar: pieces,
    meaning:
      "Of a text: its lines (as they stand on the reader's screen), words or letters come one after the other.",
  },
  stagger: {
    grammar: milliseconds("time from one piece to the next"),
    meaning: "Milliseconds from one piece of a text, or layer of a group, to the next.",
    otherwise: "0; 40 with pieces",
  },
} as const satisfies Record<string, Setting>;

export const cueGrammar = object(
  cue,
  "a change that plays once: at, of, from, duration, delay, easing, pieces, stagger",
);
