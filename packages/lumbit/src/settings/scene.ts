import { sceneHold, settle } from "./common.ts";
import { cueGrammar } from "./cue.ts";
import { choice, either, list, object, type Setting, some, text } from "./grammar.ts";
import { layerGrammar, layerSettings, rulesOf } from "./layer.ts";
import { panel } from "./panel.ts";
import { background, camera, color, href, relief } from "./shared.ts";
import { blockStyle } from "./text-style.ts";
import { distance, extent, name } from "./values.ts";

/** One block of a scene's content in the flow, which gives the scene its height. */
export const block = {
  name: {
    grammar: name,
    meaning: "Its name, unique in its scene: links lead to it by `#scene/name`.",
  },
  text: {
    grammar: text(1, "the words to show, at least one character"),
    meaning:
      "The words of a heading, paragraph or link; parts of them may be strong, emphasized or links, as in a text.",
  },
  as: { grammar: layerSettings.as.grammar, meaning: "The HTML element of the text.", otherwise: '"p"' },
  list: {
    grammar: list(text(1, "an entry of the list"), "a list of texts", 1),
    meaning: "Makes it a list: its entries.",
  },
  href,
  ...panel,
  cue: { grammar: cueGrammar, meaning: "A change that plays once when the scroll passes a moment." },
  ...blockStyle,
  rules: {
    grammar: rulesOf({ ...blockStyle, ...panel }),
    meaning: "Settings of its text and panel where a media query holds.",
  },
} as const satisfies Record<string, Setting>;

/** What a scene has, and its rules may change. */
export const sceneSettings = {
  height: {
    grammar: either(
      [distance("a length"), choice(["auto"])],
      'the scene\'s height: a length such as "130vh" or "900px", not a percentage, or "auto"; "100vh" without it',
    ),
    meaning:
      'Its height; `"auto"` is what its content needs, and content makes a scene higher when it needs it. Where such a height decides when a scene beside it settles, the published page has a small script (1 kB) that measures it when the layout changes; without script it counts as the `minHeight`.',
    otherwise: '"100vh"; "auto" where there is content',
    byRule: true,
  },
  minHeight: {
    grammar: distance(
      'the least height of the scene: a length such as "60vh" or "300px", not negative, not a percentage',
    ),
    meaning: "Its least height.",
    byRule: true,
  },
  width: {
    grammar: choice(["full", "column"]),
    meaning:
      '`"full"` from edge to edge, whatever container a mounted scene sits in; `"column"` within the page\'s column. A mounted scene is as wide as its element unless it says `"full"`.',
    otherwise: '"full"',
    byRule: true,
  },
  paddingTop: {
    grammar: distance(
      'the space above the content: a length such as "12vh" or "3rem", not negative, not a percentage',
    ),
    meaning: "Space above the content.",
    otherwise: "0",
    byRule: true,
  },
  paddingBottom: {
    grammar: distance(
      'the space below the content: a length such as "12vh" or "3rem", not negative, not a percentage',
    ),
    meaning: "Space below the content.",
    otherwise: "0",
    byRule: true,
  },
  contentWidth: {
    grammar: extent("width of the content; percentages are of the page's column"),
    meaning: "How wide its content is, at most the page's column; percentages are of that.",
    otherwise: '"100%"',
    byRule: true,
  },
  contentSide: {
    grammar: choice(["left", "middle", "right"]),
    meaning: "On which side of the page's column narrower content stands, beside layers on the other.",
    otherwise: '"middle"',
    byRule: true,
  },
  panel: {
    grammar: some(
      panel,
      "settings of the panel behind the content: background, padding, radius, shadow or blurBehind",
    ),
    meaning: "What is painted behind all of its content, which its padding sets in.",
    byRule: true,
  },
  settle,
  hold: sceneHold,
  relief,
  camera,
  background: { grammar: background, meaning: "Color or gradient behind its layers.", byRule: true },
  color: { grammar: color, meaning: "Color of its texts.", byRule: true },
} as const satisfies Record<string, Setting>;

/** One box of the page in which layers are stacked. */
export const scene = {
  name: {
    grammar: name,
    meaning: "Its name, unique on the page; becomes `data-lumbit-scene`, and the fragment for links.",
    required: true,
  },
  as: {
    grammar: choice(["section", "footer"]),
    meaning: 'The HTML element of it: `"footer"` makes the last scene what the page ends with.',
    otherwise: '"section"',
  },
  ...sceneSettings,
  content: {
    grammar: list(
      object(block, "one heading, paragraph, list or link"),
      "a list of headings, paragraphs, lists and links in the flow",
      1,
    ),
    meaning: "Content in the flow, on the page surface, before the layers.",
  },
  layers: {
    grammar: list(
      layerGrammar,
      "a list of layers; they are painted in depth order, far first, in document order among equals",
    ),
    meaning: "Its layers, in reading order.",
    required: true,
  },
  rules: {
    grammar: rulesOf(sceneSettings),
    meaning:
      "What changes where a media query holds: everything but the name, the content and the layers; of a camera and a panel what they name.",
  },
} as const satisfies Record<string, Setting>;

export const sceneGrammar = object(scene, "one box of the page in which layers are stacked");
