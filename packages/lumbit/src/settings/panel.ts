import { css, type Setting } from "./grammar.ts";
import { background } from "./shared.ts";
import { distance, extent, pixels } from "./values.ts";

export const shadow = css("box-shadow", 'a CSS box shadow such as "0 10px 40px #0008"');
export const blurBehind = pixels('a radius in px such as "12px"');

/** What is painted behind words in the flow. */
export const panel = {
  background: { grammar: background, meaning: "Color or gradient behind the words.", byRule: true },
  padding: {
    grammar: distance(
      'the space between words and the edges of their panel: a length such as "1.5rem" or "12px", not negative, not a percentage',
    ),
    meaning:
      "Space between the words and the edges of their panel, on all sides; beside the words of a button twice that.",
    otherwise: '0, and "0.75rem" in a button',
    byRule: true,
  },
  radius: {
    grammar: extent("rounding of the panel's corners"),
    meaning: "Rounding of its corners.",
    otherwise: "0",
    byRule: true,
  },
  shadow: { grammar: shadow, meaning: "A CSS box shadow.", byRule: true },
  blurBehind: {
    grammar: blurBehind,
    meaning: "Blur radius of what is seen through it.",
    otherwise: '"0px"',
    byRule: true,
  },
} as const satisfies Record<string, Setting>;
