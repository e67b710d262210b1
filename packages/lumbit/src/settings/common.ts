import { cueGrammar } from "./cue.ts";
import { boolean, choice, either, list, number, object, pair, pattern, type Setting } from "./grammar.ts";
import { ramp } from "./ramp.ts";
import { direction, passageOf, subject } from "./shared.ts";
import { depth, distance, extent, length, moment, pixels } from "./values.ts";

/*
 * What page files say and markup says in attributes too. Each stands on its own, so that pages that only have attributes
 * load none of the other settings.
 */

const offsets = (way: string) =>
  pair(length("an offset"), `offsets ${way} at the start and the end, such as ["0px", "-40%"]`);

/** Movement from one offset to another. */
export const travel = {
  x: {
    grammar: offsets("to the right"),
    meaning: "Offsets to the right at the start and the end, in percentages of its own width.",
  },
  y: {
    grammar: offsets("downwards"),
    meaning: "Offsets downwards at the start and the end, in percentages of its own height.",
  },
  over: {
    grammar: pair(moment, 'the moments between which it travels, such as ["entry 0%", "exit 100%"]'),
    meaning: "The moments between which it travels.",
    otherwise: '["cover 0%", "cover 100%"]',
  },
  of: { grammar: passageOf, meaning: "Whose passage the moments belong to.", otherwise: '"scene"' },
} as const satisfies Record<string, Setting>;

export const slides = {
  width: {
    grammar: extent("width of a slide"),
    meaning: "The width of a slide; percentages are of the reel.",
    otherwise: '"100%"',
  },
  gap: { grammar: extent("space between slides"), meaning: "Space between slides.", otherwise: "0" },
} as const satisfies Record<string, Setting>;

/** Slides side by side that travel sideways while their scene holds; on narrow screens a row that is swiped. */
export const reel = {
  ...slides,
  share: {
    grammar: number(
      { least: 0.3, most: 1 },
      "how much of a slide is in view when its title comes in, from 0.3 to 1",
    ),
    meaning: "How much of a slide is in view when its title comes in.",
    otherwise: "0.6",
  },
  direction: {
    grammar: choice(["left", "right"]),
    meaning: "Where its slides go as the reader scrolls down: to the right the first one is the rightmost.",
    otherwise: '"left"',
  },
  narrow: {
    grammar: choice(
      ["swipe", "travel"],
      '"swipe" or "travel": what the reel does on screens narrower than 600 px',
    ),
    meaning:
      "Whether it is swiped on screens narrower than 600 px, or travels there too while its scene holds.",
    otherwise: '"swipe"',
  },
} as const satisfies Record<string, Setting>;

/** How a layer looks whatever it shows, besides what its depth and ramps make of it. */
export const lookSettings = {
  opacity: {
    grammar: number({ least: 0, most: 1 }, "an opacity from 0 to 1"),
    meaning: "Its opacity, times what haze leaves and what ramps have.",
    otherwise: "1",
    byRule: true,
  },
  rotate: {
    grammar: number({ least: -36000, most: 36000 }, "an angle in degrees"),
    meaning: "How far it is turned, in degrees clockwise; ramps turn it further. A picture in a pane is not.",
    otherwise: "0",
    unpaned: true,
    byRule: true,
  },
  blur: {
    grammar: pixels('a radius in px such as "8px"'),
    meaning: "Its blur radius, besides that of `focus` and of ramps.",
    otherwise: '"0px"',
    byRule: true,
  },
  blend: {
    grammar: choice(
      [
        ...(["normal", "multiply", "screen", "overlay", "darken", "lighten", "color-dodge"] as const),
        ...(["color-burn", "hard-light", "soft-light", "difference", "exclusion"] as const),
      ],
      'a CSS blend mode such as "multiply", "screen" or "overlay"',
    ),
    meaning: "How its colors mix with what is behind it in its scene, as in CSS.",
    otherwise: '"normal"',
    byRule: true,
  },
} as const satisfies Record<string, Setting>;

export const layerDirection = {
  grammar: direction,
  meaning: "Where drift carries it as the reader scrolls down; degrees run clockwise from up.",
  otherwise: '"down"',
  byRule: true,
} as const satisfies Setting;

/** What sideways drift counts in. */
export const sideways = {
  grammar: choice(
    ["height", "width"],
    '"height" or "width": whether it goes sideways as far as the page is scrolled, or a screen\'s width for every screen\'s height',
  ),
  meaning:
    'What sideways drift counts in: with `"width"` a layer goes as many widths of the screen as it would go heights, so that what crosses on a desk crosses on a telephone.',
  otherwise: '"height"',
  unpaned: true,
  byRule: true,
} as const satisfies Setting;

export const travelSetting = {
  grammar: object(travel, "settings of a travel: x, y, over, of"),
  meaning: "Movement from one offset to another, added to any drift.",
  byRule: "none",
} as const satisfies Setting;

export const ramps = {
  grammar: list(object(ramp, "a property and its stops"), "a list of ramps, each a property and its stops"),
  meaning: "Properties that follow the scroll between moments, and back.",
  byRule: true,
} as const satisfies Setting;

export const layerHold = {
  grammar: pair(
    moment,
    'the moments between which the layer stays where it is on the screen, such as ["entry 100%", "exit 0%"]',
  ),
  meaning:
    "The moments of its scene between which it stays where it is on the screen; not in a scene that holds.",
  byRule: "none",
} as const satisfies Setting;

export const layerCue = {
  grammar: cueGrammar,
  meaning: "A change that plays once when the scroll passes a moment.",
  byRule: "none",
} as const satisfies Setting;

export const layerSubject = {
  grammar: subject,
  meaning: "The point of a picture that crops keep in sight, as shares of its width and height.",
  otherwise: "[0.5, 0.5]",
  kinds: ["image"],
  byRule: true,
} as const satisfies Setting;

export const tilt = {
  grammar: number(
    { least: 0, most: 45 },
    "how far the group turns towards the pointer, from 0 to 45 degrees",
  ),
  meaning:
    "How far a group turns towards the pointer over it, or a finger on it, in degrees; the layers in it shift by their depths, and `focus` softens them.",
  kinds: ["group"],
  byRule: true,
} as const satisfies Setting;

/** Where the pointer turns a group that tilts. */
export const tiltOver = {
  grammar: choice(
    ["group", "screen"],
    '"group" or "screen": where the pointer has to be for the group to turn',
  ),
  meaning: "Where the pointer turns it: over the group alone, or anywhere on the screen.",
  otherwise: '"group"',
  kinds: ["group"],
  byRule: true,
} as const satisfies Setting;

/** From how far a group that tilts is seen. */
export const perspective = {
  grammar: pattern<`${number}px`>(
    /^[1-9]\d{2,4}px$/,
    'from how far the turned group is seen, in px, such as "600px", at least "100px"',
  ),
  meaning: "From how far it is seen as it turns: the nearer, the stronger.",
  otherwise: '"1000px"',
  kinds: ["group"],
  byRule: true,
} as const satisfies Setting;

export const layerReel = {
  grammar: object(reel, "settings of a reel, whose layers are slides: width, gap, share, direction, narrow"),
  meaning: "Makes a group a reel, and its layers slides.",
  kinds: ["group"],
  byRule: true,
} as const satisfies Setting;

export const title = {
  grammar: boolean("true to have the text come in with its slide of a reel, or false"),
  meaning: "Of a text in a slide: it comes in while the slide is the one in view, and goes out with it.",
  otherwise: "false",
  kinds: ["text"],
} as const satisfies Setting;

/** Settle moments that have a name. */
export const namedSettle = choice(["auto", "enter", "top", "middle", "bottom", "leave"]);

export const settle = {
  grammar: either(
    [namedSettle, number({ least: 0, most: 1 }, "a share from 0 to 1")],
    'when every layer stands where it was placed: "auto", "enter", "top", "middle", "bottom", "leave" or a share of the passage from 0 to 1',
  ),
  meaning: "The moment of the passage at which every layer stands exactly where it was placed, or its share.",
  otherwise: '"auto"',
  byRule: true,
} as const satisfies Setting;

/** A layer that goes by its own passage: not the scene's settle moment, and so no `auto`. */
export const layerSettle = {
  grammar: either(
    [
      choice(["enter", "top", "middle", "bottom", "leave"]),
      number({ least: 0, most: 1 }, "a share from 0 to 1"),
    ],
    'when the layer stands where it was placed: "enter", "top", "middle", "bottom", "leave" or a share from 0 to 1, of its own passage',
  ),
  meaning:
    'The moment of its own passage at which it stands where it was placed: `"middle"` when its box is in the middle of the screen. Without it the scene\'s settle moment. Not in a scene that holds.',
} as const satisfies Setting;

export const sceneHold = {
  grammar: distance(
    'how long the scene stays put while its layers go on: a length such as "120vh", not negative, not a percentage',
  ),
  meaning: "How long it stays put on the screen while its layers go on.",
  otherwise: "0",
  byRule: true,
} as const satisfies Setting;

export const haze = {
  grammar: number({ least: 0, most: 1 }, "how pale far layers become, from 0 (not at all) to 1"),
  meaning: "How pale layers behind the surface become: what is lost of the opacity of one infinitely far.",
  otherwise: "0",
} as const satisfies Setting;

export const focus = {
  grammar: object(
    {
      depth: {
        grammar: depth('the depth that is sharp: a number above -1, or "horizon"'),
        meaning: "The depth that is sharp.",
        required: true,
      },
      blur: {
        grammar: pixels('a blur radius in px, such as "6px"'),
        meaning: "The blur radius of a layer infinitely farther, in px.",
        required: true,
      },
    },
    "settings of focus: depth and blur",
  ),
  meaning: "The depth that is sharp, and how soft others are.",
} as const satisfies Setting;
