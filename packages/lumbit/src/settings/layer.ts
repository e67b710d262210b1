import {
  layerCue,
  layerDirection,
  layerHold,
  layerReel,
  layerSettle,
  layerSubject,
  lookSettings,
  perspective,
  ramps,
  sideways,
  slides,
  tilt,
  tiltOver,
  title,
  travelSetting,
} from "./common.ts";
import {
  boolean,
  changeable,
  choice,
  type Grammar,
  list,
  longest,
  map,
  number,
  object,
  type Setting,
  type Settings,
  text,
} from "./grammar.ts";
import { blurBehind, shadow } from "./panel.ts";
import { background, href, motion, orderDepth, videoMeaning } from "./shared.ts";
import { textStyle } from "./text-style.ts";
import { distance, extent, length, mediaQuery, name, path } from "./values.ts";

const inset = (edge: string): Setting<ReturnType<typeof length>["type"]> => ({
  grammar: length(`the distance from the scene's ${edge} edge: a length such as "12vh", "-5%" or 0`),
  meaning: `Distance from the ${edge} edge of the box around it.`,
});

/** Where a layer stands at the settle moment, against the box around it, in CSS inset and size names. */
export const place = {
  left: inset("left"),
  right: inset("right"),
  top: inset("top"),
  bottom: inset("bottom"),
  width: { grammar: extent("width"), meaning: "Its width." },
  height: { grammar: extent("height"), meaning: "Its height." },
  center: {
    grammar: choice(["x", "y", "both"], '"x", "y" or "both": the axes on which the layer is centred'),
    meaning: "The axes on which it is centred.",
  },
} as const satisfies Record<string, Setting>;

/** How the layers of a group stand beside each other. */
export const row = {
  along: {
    grammar: choice(["x", "y"], '"x" or "y": whether its layers stand beside or below each other'),
    meaning: 'Whether its layers stand beside each other, or with `"y"` below each other.',
    otherwise: '"x"',
  },
  gap: { grammar: extent("space between its layers"), meaning: "Space between them.", otherwise: "0" },
  align: {
    grammar: choice(["start", "middle", "end", "stretch"]),
    meaning:
      'Where those stand in it that are smaller than the largest: at its upper or left edge, in the middle, or at the other edge; `"stretch"` makes texts and rows among them as large.',
    otherwise: '"start"',
  },
  wrap: {
    grammar: boolean("true to go on in a new line where there is no more room beside, or false"),
    meaning: "Goes on in a new line where there is no more room beside.",
    otherwise: "false",
  },
} as const satisfies Record<string, Setting>;

/** What a layer is and says: no rule changes it. */
const what = {
  name: {
    grammar: name,
    meaning: "Its name, unique in its scene; becomes `data-lumbit-layer`.",
    required: true,
  },
  alt: {
    grammar: text(0, 'what it shows, or "" when it only decorates'),
    meaning:
      'What a picture, a shape or a piece of markup shows, for readers who do not see it, or where it leads as a link; `""` when it only decorates.',
    kinds: ["image", "shape", "markup"],
  },
  text: {
    grammar: text(1, "the words to show, at least one character"),
    meaning:
      "Makes it a text: the words; `\\n` breaks the line, `**strong**`, `*emphasized*` and links are as in CommonMark.",
    kinds: ["text"],
  },
  as: {
    grammar: choice(
      ["h1", "h2", "h3", "h4", "h5", "h6", "p"],
      'the HTML element of the text: "h1" to "h6" or "p"',
    ),
    meaning: "The HTML element of a text.",
    otherwise: '"p"',
    kinds: ["text"],
  },
  title,
  href: { ...href, kinds: ["image", "text", "shape", "group", "slide", "markup"] },
  shape: {
    grammar: choice(["rectangle", "ellipse"]),
    meaning: "Makes it a shape.",
    kinds: ["shape"],
  },
  markup: {
    grammar: path(
      'the path of an HTML or SVG file inside the page file\'s folder, such as "parts/booking.html"',
    ),
    meaning:
      "Makes it a piece of markup, such as a form, a map or a drawing: the path of an HTML or SVG file in the page file's folder. What is in it stands in the page as it is; scripts, frames and style sheets in it are refused unless the page trusts the file.",
    kinds: ["markup"],
  },
  locked: {
    grammar: boolean("true to have tools leave the layer where it is, or false"),
    meaning: "Tools leave it where it is.",
    otherwise: "false",
  },
  bundle: {
    grammar: name,
    meaning:
      "The name of a bundle: in tools the layers of one are taken hold of together, while each keeps its depth.",
  },
} as const satisfies Record<string, Setting>;

/** What every layer may have. */
const common = {
  ...motion,
  place: {
    grammar: object(
      place,
      "Where the layer stands at the settle moment, against its scene's box, in CSS inset and size names.",
    ),
    meaning:
      "Where it stands at the settle moment, in CSS inset and size names; without it a picture or shape fills its scene as a pane and a text is centred.",
    byRule: true,
  },
  direction: layerDirection,
  sideways,
  settle: layerSettle,
  order: {
    grammar: orderDepth,
    meaning: "Paints it as if it were at this depth.",
    byRule: true,
  },
  travel: travelSetting,
  ramps,
  hold: layerHold,
  cue: layerCue,
  hidden: {
    grammar: boolean("true to leave the layer out, or false"),
    meaning: "Leaves it out.",
    otherwise: "false",
    byRule: true,
  },
  ...lookSettings,
} as const satisfies Record<string, Setting>;

/** What some kinds of layers have besides. */
const ofKinds = {
  image: {
    grammar: path('the path of a picture inside the page file\'s folder, such as "art/far-kelp.webp"'),
    meaning: "Makes it a picture: the path of its file, in the page file's folder.",
    kinds: ["image"],
    byRule: true,
  },
  variants: {
    grammar: map(
      /^\d+(\.\d+)?$/,
      path("the path of the picture with more pixels"),
      'the same picture by pixel density, such as { "2": "art/far-kelp@2x.webp" }',
    ),
    meaning: 'The same picture with more pixels, by pixel density: `{ "2": "art/mill@2x.webp" }`.',
    kinds: ["image"],
    byRule: true,
  },
  video: {
    grammar: path('the path of a film inside the page file\'s folder, such as "art/waves.webm"'),
    meaning: videoMeaning,
    kinds: ["image"],
  },
  subject: layerSubject,
  fit: {
    grammar: choice(["cover", "contain"]),
    meaning: "How a picture fills a box of other proportions.",
    otherwise: '"cover"',
    kinds: ["image"],
    byRule: true,
  },
  ...textStyle,
  wrap: {
    grammar: boolean("false to keep the text on one line, or true"),
    meaning: "`false` keeps a text on one line.",
    otherwise: "true",
    kinds: ["text"],
    byRule: true,
  },
  repeat: {
    grammar: number({ least: 1, most: 50, whole: true }, "how often the text stands in its row, 1 to 50"),
    meaning: "How often a text stands in its row; copies are for the eye only.",
    otherwise: "1",
    kinds: ["text"],
    byRule: true,
  },
  background: {
    grammar: background,
    meaning: "The color or gradient of a shape, or behind a text or a group.",
    kinds: ["text", "shape", "group", "slide"],
    byRule: true,
  },
  shadow: {
    grammar: shadow,
    meaning: "A CSS box shadow.",
    kinds: ["text", "shape", "group"],
    byRule: true,
  },
  blurBehind: {
    grammar: blurBehind,
    meaning: "Blur radius of what is seen through it: of what lies behind it in its scene, or in its group.",
    otherwise: '"0px"',
    kinds: ["text", "shape", "group"],
    byRule: true,
  },
  padding: {
    grammar: distance(
      'the space between a text or a row and the edges of its background: a length such as "1rem" or "12px", not negative, not a percentage',
    ),
    meaning:
      "Space between the words, or the layers of a row, and the edges of their background, on all sides.",
    otherwise: "0",
    kinds: ["text", "group"],
    byRule: true,
  },
  radius: {
    grammar: extent("rounding of the corners"),
    meaning: "Rounding of the corners, of the pane where there is one.",
    otherwise: "0",
    kinds: ["image", "text", "shape", "group", "slide"],
    byRule: true,
  },
  pane: {
    grammar: boolean("true to clip the layer by a box that stays with the page, or false"),
    meaning: "`true`: its place is that of a box that stays with the page and clips what moves inside it.",
    otherwise: "false",
    kinds: ["image", "shape", "group"],
    byRule: true,
  },
  size: {
    grammar: object(
      {
        width: { grammar: extent("width"), meaning: "Its width.", otherwise: '"100%"' },
        height: { grammar: extent("height"), meaning: "Its height.", otherwise: '"100%"' },
      },
      "settings of size: width and height of a group in its pane",
    ),
    meaning:
      "How large a group in a pane is, in percentages of the pane; without it just so large that no edge of it ever shows.",
    kinds: ["group"],
    byRule: true,
  },
  row: {
    grammar: object(row, "settings of a row: along, gap, align, wrap"),
    meaning:
      "Has the layers of a group stand beside each other by themselves: in a row they have sizes and no other place. The group is as large as they need where its own place does not say, and no wider than what it is in; percentages in it are of the box that the row is in.",
    kinds: ["group"],
    byRule: true,
  },
  tilt,
  tiltOver,
  perspective,
  reel: layerReel,
} as const satisfies Record<string, Setting>;

/** Every setting of a layer but its rules and the layers in it. */
export const layerSettings = { ...what, ...common, ...ofKinds };

/** What holds of them together is looked for. */
const mostRules = 100;

/** Rules: each a media query and the settings that it changes. */
export const rulesOf = (settings: Settings): Grammar =>
  list(
    object(
      {
        media: { grammar: mediaQuery, meaning: "The media query under which it holds.", required: true },
        ...changeable(settings),
      },
      "a media query and the settings it changes",
    ),
    "a list of rules, each a media query and the settings it changes; later rules win",
    0,
    mostRules,
  );

const rules: Setting = {
  grammar: rulesOf({
    ...layerSettings,
    // Of a reel a rule changes how it is laid out.
    reel: { ...ofKinds.reel, grammar: object(slides, "settings of a reel: width and gap") },
  }),
  meaning:
    'What changes where a media query holds, all but what the layer is and says; later rules win, `"none"` takes a travel, hold or cue away.',
};

/** Layers, those that may be in them as deep as they may be. */
const layer = (allowed: string, inner?: Setting): Grammar =>
  object({ ...layerSettings, rules, ...(inner && { layers: inner }) }, allowed);

const grouped: Setting = {
  grammar: {
    ...{ form: "list", least: 0, most: longest.list, again: true },
    allowed: "a list of layers that move as one, stacked inside",
    get of(): Grammar {
      return inGroup;
    },
  },
  meaning: "Makes it a group: layers that move as one, placed against the group; of a reel, its slides.",
  kinds: ["group"],
};

const inGroup = layer("one picture, text, shape or group of the group, or a slide of the reel", grouped);

export const layerGrammar: Grammar = layer("one picture, text, shape or group of the scene", grouped);

export type LayerRows = typeof layerSettings;
