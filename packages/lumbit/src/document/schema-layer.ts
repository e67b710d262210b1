import { z } from "zod";
import { matchesMedia } from "../core/index.ts";
import { clipPattern, rampProperties } from "./ramp.ts";
import {
  background,
  colour,
  css,
  extent,
  extentLength,
  fontFamily,
  length,
  name,
  number,
  path,
  pixels,
  size,
  words,
  zero,
} from "./schema-values.ts";

const inset = (edge: string) =>
  length(`the distance from the scene's ${edge} edge: a length such as "12vh", "-5%" or 0`);
const place = z
  .strictObject({
    left: inset("left").optional(),
    right: inset("right").optional(),
    top: inset("top").optional(),
    bottom: inset("bottom").optional(),
    width: extent("width").optional(),
    height: extent("height").optional(),
    center: z
      .enum(["x", "y", "both"])
      .describe('"x", "y" or "both": the axes on which the layer is centred')
      .optional(),
  })
  .describe(
    "Where the layer stands at the settle moment, against its scene's box, in CSS inset and size names.",
  )
  .meta({ id: "place" });

export const fluidSize = z.strictObject({
  min: pixels('the smallest text size in px, such as "40px"'),
  max: pixels('the largest text size in px, such as "120px"'),
  from: z.number().min(0).describe("the viewport width in px at which min ends, 0 or more").optional(),
  to: z
    .number()
    .positive()
    .describe("the viewport width in px at which max is reached, more than 0")
    .optional(),
});

const fittedSize = z.strictObject({
  fit: extent("width that the text is fitted to"),
});

export const depth = (allowed: string) =>
  z.union([z.number().gt(-1), z.literal("horizon")]).describe(allowed);
export const motion = {
  depth: depth(
    'the distance behind the page surface in camera distances: a number above -1, or "horizon"',
  ).optional(),
  speed: z
    .number()
    .min(0)
    .describe("screen movement per scrolled pixel: a number of 0 (fixed) or more, 1 is with the page")
    .optional(),
};
export const relief = z
  .number()
  .min(0)
  .describe("the factor on all drift: 0 is flat, 1 as modelled")
  .optional();
export const subject = z
  .tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
  .describe("the point that must stay in sight as two shares of width and height, such as [0.5, 0.3]")
  .optional();
export const camera = z
  .strictObject({
    pan: z.number().describe("sideways camera movement per scrolled pixel, such as 0.1").optional(),
    push: z
      .number()
      .describe("camera movement forward over a passage, in camera distances, such as 0.3")
      .optional(),
    sway: extentLength(
      'how far the camera moves with the pointer to each side: a length such as "40px", not negative, not a percentage',
      new RegExp(size.source.replace("%|", "")),
    ).optional(),
  })
  .describe("settings of the camera: pan, push and sway")
  .optional();
const moment = z
  .string()
  .regex(/^(cover|contain|entry|exit|entry-crossing|exit-crossing) (100|\d{1,2}(\.\d+)?)%$/)
  .describe(
    'a range name (cover, contain, entry, exit, entry-crossing, exit-crossing) and a percentage from 0 to 100 of it, such as "entry 0%", "contain 50%" or "exit 100%"',
  );
const offsets = (way: string) =>
  z
    .tuple([length("an offset"), length("an offset")])
    .describe(`offsets ${way} at the start and the end, such as ["0px", "-40%"]`)
    .optional();
const travel = z
  .strictObject({
    x: offsets("to the right"),
    y: offsets("downwards"),
    over: z
      .tuple([moment, moment])
      .describe('the moments between which it travels, such as ["entry 0%", "exit 100%"]')
      .optional(),
    of: z
      .enum(["scene", "layer", "page"])
      .describe('"scene", "layer" or "page": whose passage the moments belong to')
      .optional(),
  })
  .describe("settings of a travel: x, y, over, of")
  .meta({ id: "travel" });
const easingAllowed = 'a CSS easing function such as "ease-in", "cubic-bezier(0.2, 0, 0, 1)" or "steps(4)"';
const pieces = z.enum(["lines", "words", "letters"]).describe('"lines", "words" or "letters"');
const ramps = z
  .array(
    z
      .strictObject({
        property: z
          .enum(rampProperties)
          .describe(`a property: ${rampProperties.map((property) => `"${property}"`).join(", ")}`),
        stops: z
          .array(
            z
              .strictObject({
                at: moment,
                value: z.union([z.number(), z.string()]).describe("a value of the property"),
                easing: css("animation-timing-function", easingAllowed).optional(),
              })
              .describe("a stop: at, value, easing"),
          )
          .min(2)
          .describe("a list of two or more stops, each a moment and a value"),
        of: z
          .enum(["scene", "layer", "page"])
          .describe('"scene", "layer" or "page": whose passage the moments belong to')
          .optional(),
        axis: z
          .string()
          .regex(/^[A-Za-z0-9]{4}$/)
          .describe('the tag of an axis of a variable font, four letters such as "wdth"')
          .optional(),
        pieces: pieces.optional(),
        stagger: z
          .number()
          .min(0)
          .max(0.95)
          .describe("how much of the whole way passes until the last piece begins, from 0 to 0.95")
          .optional(),
      })
      .describe("a property and its stops"),
  )
  .describe("a list of ramps, each a property and its stops")
  .meta({ id: "ramps" })
  .optional();
const hold = z
  .tuple([moment, moment])
  .describe(
    'the moments between which the layer stays where it is on the screen, such as ["entry 100%", "exit 0%"]',
  );
const milliseconds = (what: string) =>
  z.number().min(0).max(60_000).describe(`the ${what} in milliseconds, from 0 to 60000`).optional();
export const cue = z
  .strictObject({
    at: z
      .union([z.literal("load"), moment])
      .describe('"load", or a range name and a percentage from 0 to 100 of it, such as "entry 30%"')
      .optional(),
    of: z
      .enum(["layer", "scene"])
      .describe('"layer" or "scene": whose passage the moment belongs to')
      .optional(),
    from: z
      .strictObject({
        x: length('an offset to the right such as "-40%" or "12vw"').optional(),
        y: length('an offset downwards such as "-40%" or "12vh"').optional(),
        opacity: z.number().min(0).max(1).describe("an opacity from 0 to 1").optional(),
        scale: z.number().min(0).describe("a factor of 0 or more").optional(),
        rotate: z.number().describe("an angle in degrees").optional(),
        blur: pixels('a radius in px such as "8px"').optional(),
        clip: z
          .string()
          .regex(clipPattern)
          .describe('what is cut off at the top, right, bottom and left, such as "0% 100% 0% 0%"')
          .optional(),
      })
      .refine((from) => Object.keys(from).length > 0)
      .describe("what the layer comes from: x, y, opacity, scale, rotate, blur, clip; one at least"),
    duration: milliseconds("duration"),
    delay: milliseconds("delay"),
    easing: css("animation-timing-function", easingAllowed).optional(),
    pieces: pieces.optional(),
    stagger: milliseconds("time from one piece to the next"),
  })
  .describe("a change that plays once: at, of, from, duration, delay, easing, pieces, stagger")
  .meta({ id: "cue" });
const direction = z
  .union([z.enum(["down", "up", "left", "right"]), z.number()])
  .describe('"down", "up", "left", "right" or an angle in degrees clockwise from up')
  .optional();
const hidden = z.boolean().describe("true to leave the layer out, or false").optional();
const order = depth('the depth at which the layer is painted: a number above -1, or "horizon"').optional();

export const textStyle = {
  color: colour.optional(),
  fontFamily: fontFamily.optional(),
  fontSize: z
    .union([extent("text size"), fluidSize, fittedSize])
    .describe(
      'a length such as "3rem", { "min": "40px", "max": "120px" } to grow with the viewport, or { "fit": "80%" } to fill a width',
    )
    .optional(),
  fontWeight: z.number().min(1).max(1000).describe("a font weight from 1 to 1000").optional(),
  fontStyle: z.enum(["normal", "italic"]).describe('"normal" or "italic"').optional(),
  lineHeight: z.number().positive().describe("the line height in font sizes, a number above 0").optional(),
  letterSpacing: z
    .union([zero, z.string().regex(new RegExp(`^${number}(em|px|rem|[sld]?v[wh])$`))])
    .describe('the space between letters: a length such as "-0.02em" or "1px"')
    .optional(),
  textAlign: z.enum(["left", "center", "right"]).describe('"left", "center" or "right"').optional(),
  maxWidth: extent("greatest width of the text").optional(),
  outline: extent("width of the letters' outline").optional(),
};

const media = z
  .string()
  .refine((query) => matchesMedia(query, { width: 1, height: 1 }) !== undefined)
  .describe(
    'a media query of width, height, aspect-ratio, orientation, pointer or hover, such as "(max-width: 600px)" or "(orientation: portrait) and (pointer: coarse)"',
  );
export const rulesOf = <Shape extends z.ZodRawShape>(shape: Shape) =>
  z
    .array(z.strictObject({ media, ...shape }))
    .describe("a list of rules, each a media query and the settings it changes; later rules win");
const orNone = <Schema extends z.ZodType>(schema: Schema) =>
  z
    .union([z.literal("none"), schema])
    .describe(`${schema.description}; or "none"`)
    .optional();

const reelSize = {
  width: extent("width of a slide").optional(),
  gap: extent("space between slides").optional(),
};
const groupSettings = {
  size: z
    .strictObject({ width: extent("width").optional(), height: extent("height").optional() })
    .describe("settings of size: width and height of a group in its pane")
    .optional(),
  tilt: z
    .number()
    .min(0)
    .max(45)
    .describe("how far the group turns towards the pointer, from 0 to 45 degrees")
    .optional(),
};
const layerSettings = {
  ...motion,
  ...textStyle,
  place: place.optional(),
  direction,
  order,
  ramps,
  hidden,
  image: path('the path of a picture inside the page file\'s folder, such as "art/far-kelp.webp"').optional(),
  variants: z
    .record(z.string().regex(/^\d+(\.\d+)?$/), path("the path of the picture with more pixels"))
    .describe('the same picture by pixel density, such as { "2": "art/far-kelp@2x.webp" }')
    .optional(),
  subject,
  fit: z.enum(["cover", "contain"]).describe('"cover" or "contain"').optional(),
  wrap: z.boolean().describe("false to keep the text on one line, or true").optional(),
  repeat: z.int().min(1).max(50).describe("how often the text stands in its row, 1 to 50").optional(),
  background: background.optional(),
  shadow: css("box-shadow", 'a CSS box shadow such as "0 10px 40px #0008"').optional(),
  radius: extent("rounding of the corners").optional(),
  pane: z.boolean().describe("true to clip the layer by a box that stays with the page, or false").optional(),
};

const layerRules = rulesOf({
  ...layerSettings,
  ...groupSettings,
  travel: orNone(travel),
  hold: orNone(hold),
  cue: orNone(cue),
  reel: z.strictObject(reelSize).describe("settings of a reel: width and gap").optional(),
}).meta({ id: "layerRules" });

export const layerShape = {
  name,
  alt: words(0, 'what the picture shows, or "" when it only decorates').optional(),
  text: words(1, "the words to show, at least one character").optional(),
  as: z
    .enum(["h1", "h2", "h3", "h4", "h5", "h6", "p"])
    .describe('the HTML element of the text: "h1" to "h6" or "p"')
    .optional(),
  title: z.boolean().describe("true to have the text come in with its slide of a reel, or false").optional(),
  shape: z.enum(["rectangle", "ellipse"]).describe('"rectangle" or "ellipse"').optional(),
  locked: z.boolean().describe("true to have tools leave the layer where it is, or false").optional(),
  ...layerSettings,
  travel: travel.optional(),
  hold: hold.optional(),
  cue: cue.optional(),
  rules: layerRules.optional(),
};

const innerLayer = z.strictObject(layerShape).describe("one picture, text or shape of the slide");
const groupedLayer = z
  .strictObject({
    ...layerShape,
    layers: z.array(innerLayer).describe("a list of layers, of a slide in a reel").optional(),
  })
  .describe("one picture, text or shape of the group, or a slide of the reel");
export const layer = z
  .strictObject({
    ...layerShape,
    layers: z.array(groupedLayer).describe("a list of layers that move as one, stacked inside").optional(),
    ...groupSettings,
    reel: z
      .strictObject({
        ...reelSize,
        share: z
          .number()
          .min(0.3)
          .max(1)
          .describe("how much of a slide is in view when its title comes in, from 0.3 to 1")
          .optional(),
      })
      .describe("settings of a reel, whose layers are slides: width, gap, share")
      .optional(),
  })
  .describe("one picture, text, shape or group of the scene");
