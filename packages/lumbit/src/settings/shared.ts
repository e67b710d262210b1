import { choice, css, either, link, number, object, pair, type Setting, typed } from "./grammar.ts";
import { type Depth, depth, distance, type Length } from "./values.ts";

/** What several things on a page have: scenes, layers, the page itself. */

export const color = css("color", 'a CSS color such as "#06202b" or "oklch(0.7 0.1 180)"');
export const background = css(
  "background",
  'a CSS color or gradient such as "#06202b" or "linear-gradient(#cde, #024)"',
);
export const fontFamily = css("font-family", 'a CSS font list such as "Georgia, serif"');

/** What leads somewhere. */
export const href = {
  grammar: link(
    'where the link leads: "#scene", "#scene/name" of a layer or block in it, a path, or an address with https, http, mailto or tel',
  ),
  meaning: "Makes it a link: where it leads.",
} as const satisfies Setting;

/** A layer gives its depth, or its speed (0 fixed, 1 with the page), or neither: then it lies on the surface. */
export const motion = {
  depth: {
    grammar: depth(
      'the distance behind the page surface in camera distances: a number above -1, or "horizon"',
    ),
    meaning:
      'How far behind the page surface it lies, in camera distances: 0 on the surface, 1 one camera distance behind, `"horizon"` infinitely far.',
    otherwise: "0",
    byRule: true,
  },
  speed: {
    grammar: number(
      { least: 0, most: 1000 },
      "screen movement per scrolled pixel: a number of 0 (fixed) or more, 1 is with the page",
    ),
    meaning:
      "How far it moves on the screen per scrolled pixel, 0 fixed and 1 with the page: another way to say its depth.",
    byRule: true,
  },
} as const satisfies Record<string, Setting>;

export const relief: Setting<number> & { byRule: true } = {
  grammar: number({ least: 0, most: 100 }, "the factor on all drift: 0 is flat, 1 as modelled"),
  meaning: "Factor on all drift: 0 is flat, 1 as modelled; that of a scene is times the page's.",
  otherwise: "1",
  byRule: true,
};

/** Camera movement besides that down the page. */
export interface Camera {
  /** Sideways movement per scrolled pixel; positive carries far layers to the right. */
  pan?: number;
  /** Movement forward over a whole passage, in camera distances. */
  push?: number;
  /** How far it moves to each side as the pointer goes from the middle of the screen to its edge, or a device tilts. */
  sway?: Length;
}

const moves = {
  pan: {
    grammar: number({ least: -100, most: 100 }, "sideways camera movement per scrolled pixel, such as 0.1"),
    meaning: "Sideways camera movement per scrolled pixel; positive carries far layers to the right.",
    otherwise: "0",
  },
  push: {
    grammar: number(
      { least: -1000, most: 1000 },
      "camera movement forward over a passage, in camera distances, such as 0.3",
    ),
    meaning: "Camera movement forward over a whole passage, in camera distances.",
    otherwise: "0",
  },
  sway: {
    grammar: distance(
      'how far the camera moves with the pointer to each side: a length such as "40px", not negative, not a percentage',
    ),
    meaning: "How far the camera moves to each side with the pointer, or with the tilt of a telephone.",
    otherwise: "0",
  },
} as const satisfies Record<string, Setting>;

export const camera = {
  grammar: typed<Camera>(object(moves, "settings of the camera: pan, push and sway")),
  settings: moves,
  meaning: "Camera movement besides that down the page; that of a scene replaces the page's.",
  byRule: true,
} as const;

export const subject = pair(
  number({ least: 0, most: 1 }, "a share from 0 to 1"),
  "the point that must stay in sight as two shares of width and height, such as [0.5, 0.3]",
);

/** Whose passage moments belong to. */
export const passageOf = choice(
  ["scene", "layer", "page"],
  '"scene", "layer" or "page": whose passage the moments belong to',
);

export const pieces = choice(["lines", "words", "letters"]);

/** Where something is drawn in the stack: a depth. */
export const direction = either(
  [choice(["down", "up", "left", "right"]), number({ least: -36000, most: 36000 }, "an angle in degrees")],
  '"down", "up", "left", "right" or an angle in degrees clockwise from up',
);

export const orderDepth = typed<Depth>(
  depth('the depth at which the layer is painted: a number above -1, or "horizon"'),
);

/** What a film over a picture is. */
export const videoMeaning =
  "The path of a film that plays in its place while it is in view, over and over and without sound; the picture is its still, for those too who want less motion.";
