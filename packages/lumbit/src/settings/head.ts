import { map, pattern, type Setting, text } from "./grammar.ts";
import { color } from "./shared.ts";
import { path } from "./values.ts";

/** What a page says of itself to search engines, to those it is shared with, and to the browser around it. */
export const head = {
  description: {
    grammar: text(1, "the page in a sentence or two, at least one character"),
    meaning: "The page in a sentence or two, for search engines and where it is shared.",
  },
  icon: {
    grammar: path('the path of the icon inside the page file\'s folder, such as "art/icon.svg"'),
    meaning: "The path of its icon, in the page file's folder.",
  },
  image: {
    grammar: path('the path of a picture inside the page file\'s folder, such as "art/card.png"'),
    meaning: "The path of the picture that is shown where the page is shared, in the page file's folder.",
  },
  address: {
    grammar: pattern(
      /^https?:\/\/[^\s"'<>\\]+$/,
      'the address at which the page will be, such as "https://tidehouse.example/"',
    ),
    meaning: "Where the page will be: what is shared names it, and its picture by it.",
  },
  themeColor: { grammar: color, meaning: "The color that browsers give what is around the page." },
  meta: {
    grammar: map(
      /^[a-z][\w.:-]*$/i,
      text(1, "what it says, at least one character"),
      'what else the head says, by name, such as { "author": "The keepers" }',
    ),
    meaning: "What else the head says, by the names of its `meta` elements.",
  },
} as const satisfies Record<string, Setting>;
