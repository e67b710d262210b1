import {
  focus,
  haze,
  layerCue,
  layerDirection,
  layerHold,
  layerReel,
  layerSettle,
  layerSubject,
  lookSettings,
  perspective,
  ramps,
  sceneHold,
  settle,
  sideways,
  tilt,
  tiltOver,
  title,
  travel,
} from "./common.ts";
import { boolean, choice, type Setting } from "./grammar.ts";
import { camera, motion, relief } from "./shared.ts";
import { depth } from "./values.ts";

/*
 * What markup may say, in attributes called `data-lumbit-` and these names, written as in the page file: numbers and
 * words as they stand, pairs side by side, lists and objects as JSON.
 */

/** Of a scene. */
export const sceneAttributes = {
  settle,
  hold: {
    ...sceneHold,
    meaning: `${sceneHold.meaning} The scene then has one element in it, the box that stays.`,
  },
  relief,
  ...camera.settings,
  haze,
  focus,
  // Columns are of built pages.
  width: {
    grammar: choice(["full"], '"full", from edge to edge of the page'),
    meaning: 'From edge to edge of the page, out of any container, with `"full"`.',
  },
} as const satisfies Record<string, Setting>;

/** What shows a layer's travel, offset by offset. */
const travelAttributes = {
  "travel-x": travel.x,
  "travel-y": travel.y,
  "travel-over": travel.over,
  "travel-of": travel.of,
} as const;

/** Of a layer; each but those that say more of another makes an element in a scene one. */
export const layerAttributes = {
  ...motion,
  direction: layerDirection,
  sideways,
  settle: layerSettle,
  ...travelAttributes,
  ramps,
  hold: layerHold,
  tilt: {
    ...tilt,
    meaning:
      "How far it turns towards the pointer over it, or a finger on it, in degrees; elements in it with a depth shift as it turns.",
  },
  "tilt-over": tiltOver,
  perspective,
  pane: {
    grammar: boolean("nothing, or true"),
    meaning: "Of a picture: it moves inside the box that the page gave it, its pane.",
  },
  subject: layerSubject,
  ...lookSettings,
} as const satisfies Record<string, Setting>;

/** Of what else is in a scene. */
export const partAttributes = {
  "background-depth": {
    grammar: depth('the depth of its background picture: a number above -1, or "horizon"'),
    meaning:
      "Gives the CSS background of an element a depth; what stands on it stays. An element outside of scenes becomes one.",
  },
  cue: {
    ...layerCue,
    meaning: `${layerCue.meaning} On any element in a scene; a list where it is not the same on every screen.`,
  },
  reel: {
    ...layerReel,
    meaning:
      "Makes an element in a scene that holds a reel, with the settings of one or nothing. It has one element in it, the row, and in that the slides; what is in a slide may have a depth.",
  },
  title: {
    grammar: title.grammar,
    meaning: "Of an element in a slide: it comes in with its slide.",
  },
} as const satisfies Record<string, Setting>;
