import { z } from "zod";
import { checkRules, matchesMedia } from "../core/index.ts";
import { isCssValue } from "./css-value.ts";
import { isSafeLink } from "./link.ts";
import { clipPattern, rampProperties } from "./ramp.ts";

/*
 * Every description says what is allowed, in words that finish "allowed: …": editors show it at the key and the
 * reader puts it into its messages.
 */

const number = String.raw`[+-]?(\d+\.?\d*|\.\d+)`;
const units = "(px|%|rem|[sld]?v[wh])";
const size = /^\+?(\d+\.?\d*|\.\d+)(px|%|rem|[sld]?v[wh])$/;
const zero = z.literal(0);

const words = (min: 0 | 1, allowed: string) => z.string().min(min).describe(allowed);
const length = (allowed: string) =>
  z.union([zero, z.string().regex(new RegExp(`^${number}${units}$`))]).describe(allowed);
const extentLength = (allowed: string, pattern = size) =>
  z.union([zero, z.string().regex(pattern)]).describe(allowed);
const pixels = (allowed: string) =>
  z
    .string()
    .regex(/^(\d+\.?\d*|\.\d+)px$/)
    .describe(allowed);
const css = (property: string, allowed: string) =>
  z
    .string()
    .refine((text) => isCssValue(property, text))
    .describe(allowed);
const path = (allowed: string) =>
  z
    .string()
    .regex(/^(?![a-z][a-z0-9+.-]*:|[/\\])[^\\\0?#]+$/i)
    .describe(allowed);

const name = z
  .string()
  .regex(/^[\p{L}][\p{L}\p{N}_-]*$/u)
  .describe("a name that starts with a letter and goes on with letters, digits, - and _");
const colour = css("color", 'a CSS color such as "#06202b" or "oklch(0.7 0.1 180)"');
const background = css(
  "background",
  'a CSS color or gradient such as "#06202b" or "linear-gradient(#cde, #024)"',
);
const fontFamily = css("font-family", 'a CSS font list such as "Georgia, serif"');
const inset = (edge: string) =>
  length(`the distance from the scene's ${edge} edge: a length such as "12vh", "-5%" or 0`);
const extent = (axis: string) =>
  extentLength(`the ${axis}: a length such as "40vw", "110%" or "300px", not negative`);

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
  );

const fluidSize = z.strictObject({
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

const depth = (allowed: string) => z.union([z.number().gt(-1), z.literal("horizon")]).describe(allowed);
const motion = {
  depth: depth(
    'the distance behind the page surface in camera distances: a number above -1, or "horizon"',
  ).optional(),
  speed: z
    .number()
    .min(0)
    .describe("screen movement per scrolled pixel: a number of 0 (fixed) or more, 1 is with the page")
    .optional(),
};
const relief = z.number().min(0).describe("the factor on all drift: 0 is flat, 1 as modelled").optional();
const subject = z
  .tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
  .describe("the point that must stay in sight as two shares of width and height, such as [0.5, 0.3]")
  .optional();
const camera = z
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
  .optional();
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
  .optional();
const hold = z
  .tuple([moment, moment])
  .describe(
    'the moments between which the layer stays where it is on the screen, such as ["entry 100%", "exit 0%"]',
  )
  .optional();
const milliseconds = (what: string) =>
  z.number().min(0).max(60_000).describe(`the ${what} in milliseconds, from 0 to 60000`).optional();
const cue = z
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
  .optional();
const direction = z
  .union([z.enum(["down", "up", "left", "right"]), z.number()])
  .describe('"down", "up", "left", "right" or an angle in degrees clockwise from up')
  .optional();
const hidden = z.boolean().describe("true to leave the layer out, or false").optional();
const order = depth('the depth at which the layer is painted: a number above -1, or "horizon"').optional();

const textStyle = {
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
const rulesOf = <Shape extends z.ZodRawShape>(shape: Shape) =>
  z
    .array(z.strictObject({ media, ...shape }))
    .describe("a list of rules, each a media query and the settings it changes; later rules win")
    .optional();

const layerSettings = {
  ...motion,
  ...textStyle,
  place: place.optional(),
  direction,
  order,
  travel,
  ramps,
  hold,
  hidden,
  subject,
  background: background.optional(),
  shadow: css("box-shadow", 'a CSS box shadow such as "0 10px 40px #0008"').optional(),
  radius: extent("rounding of the corners").optional(),
  fit: z.enum(["cover", "contain"]).describe('"cover" or "contain"').optional(),
};

const layerShape = {
  name,
  image: path('the path of a picture inside the page file\'s folder, such as "art/far-kelp.webp"').optional(),
  alt: words(0, 'what the picture shows, or "" when it only decorates').optional(),
  variants: z
    .record(z.string().regex(/^\d+(\.\d+)?$/), path("the path of the picture with more pixels"))
    .describe('the same picture by pixel density, such as { "2": "art/far-kelp@2x.webp" }')
    .optional(),
  text: words(1, "the words to show, at least one character").optional(),
  as: z
    .enum(["h1", "h2", "h3", "h4", "h5", "h6", "p"])
    .describe('the HTML element of the text: "h1" to "h6" or "p"')
    .optional(),
  title: z.boolean().describe("true to have the text come in with its slide of a reel, or false").optional(),
  wrap: z.boolean().describe("false to keep the text on one line, or true").optional(),
  repeat: z.int().min(1).max(50).describe("how often the text stands in its row, 1 to 50").optional(),
  shape: z.enum(["rectangle", "ellipse"]).describe('"rectangle" or "ellipse"').optional(),
  pane: z.boolean().describe("true to clip the layer by a box that stays with the page, or false").optional(),
  locked: z.boolean().describe("true to have tools leave the layer where it is, or false").optional(),
  ...layerSettings,
  cue,
  rules: rulesOf(layerSettings),
};

const innerLayer = z.strictObject(layerShape).describe("one picture, text or shape of the slide");
const groupedLayer = z
  .strictObject({
    ...layerShape,
    layers: z.array(innerLayer).describe("a list of layers, of a slide in a reel").optional(),
  })
  .describe("one picture, text or shape of the group, or a slide of the reel");
const layer = z
  .strictObject({
    ...layerShape,
    layers: z.array(groupedLayer).describe("a list of layers that move as one, stacked inside").optional(),
    size: z
      .strictObject({ width: extent("width").optional(), height: extent("height").optional() })
      .describe("settings of size: width and height of a group in its pane")
      .optional(),
    reel: z
      .strictObject({
        width: extent("width of a slide").optional(),
        gap: extent("space between slides").optional(),
        share: z
          .number()
          .min(0.3)
          .max(1)
          .describe("how much of a slide is in view when its title comes in, from 0.3 to 1")
          .optional(),
      })
      .describe("settings of a reel, whose layers are slides: width, gap, share")
      .optional(),
    tilt: z
      .number()
      .min(0)
      .max(45)
      .describe("how far the group turns towards the pointer, from 0 to 45 degrees")
      .optional(),
  })
  .describe("one picture, text, shape or group of the scene");

const block = z
  .strictObject({
    text: words(1, "the words to show, at least one character").optional(),
    as: layerShape.as,
    list: z.array(words(1, "an entry of the list")).min(1).describe("a list of texts").optional(),
    href: z
      .string()
      .refine(isSafeLink)
      .describe('where the link leads: "#scene", a path, or an address with https, http, mailto or tel')
      .optional(),
    background: background.optional(),
    radius: extent("rounding of the button's corners").optional(),
    padding: extent("space in the button above and below its text").optional(),
    cue,
    ...textStyle,
    fontSize: z
      .union([extent("text size"), fluidSize])
      .describe('a length such as "3rem", or { "min": "40px", "max": "120px" } to grow with the viewport')
      .optional(),
  })
  .describe("one heading, paragraph, list or link");

const sceneSettings = {
  height: z
    .union([zero, z.literal("auto"), z.string().regex(new RegExp(size.source.replace("%|", "")))])
    .describe(
      'the scene\'s height: a length such as "130vh" or "900px", not a percentage, or "auto"; "100vh" without it',
    )
    .optional(),
  minHeight: extent("least height of the scene").optional(),
  paddingTop: extent("space above the content").optional(),
  paddingBottom: extent("space below the content").optional(),
  settle: z
    .union([z.enum(["auto", "enter", "top", "middle", "bottom", "leave"]), z.number().min(0).max(1)])
    .describe(
      'when every layer stands where it was placed: "auto", "enter", "top", "middle", "bottom", "leave" or a share of the passage from 0 to 1',
    )
    .optional(),
  hold: extentLength(
    'how long the scene stays put while its layers go on: a length such as "120vh", not negative, not a percentage',
    new RegExp(size.source.replace("%|", "")),
  ).optional(),
  relief,
  camera,
  background: background.optional(),
  color: colour.optional(),
};

const scene = z
  .strictObject({
    name,
    width: z.enum(["full", "column"]).describe('"full" or "column"').optional(),
    ...sceneSettings,
    content: z
      .array(block)
      .min(1)
      .describe("a list of headings, paragraphs, lists and links in the flow")
      .optional(),
    layers: z
      .array(layer)
      .describe(
        "a list of layers; they are painted in depth order, far first, in document order among equals",
      ),
    rules: rulesOf(sceneSettings),
  })
  .describe("one box of the page in which layers are stacked");

const fontFace = z
  .strictObject({
    family: z
      .string()
      .regex(/^[\p{L}\p{N}][\p{L}\p{N} _-]*$/u)
      .describe("a font name of letters, digits and spaces"),
    src: path('the path of a font file inside the page file\'s folder, such as "fonts/text.woff2"'),
    weight: z
      .string()
      .regex(/^\d{1,4}( \d{1,4})?$/)
      .describe('a weight such as "400", or the range of a variable font such as "100 900"')
      .optional(),
    style: z.enum(["normal", "italic"]).describe('"normal" or "italic"').optional(),
  })
  .describe("a font file shipped with the page");

const look = z
  .strictObject({
    background: background.optional(),
    color: colour.optional(),
    fontFamily: fontFamily.optional(),
    column: extent("width of the page's column").optional(),
    margin: extent("least space beside the column").optional(),
    gap: extent("space between blocks of content").optional(),
    relief,
    camera,
    haze: z
      .number()
      .min(0)
      .max(1)
      .describe("how pale far layers become, from 0 (not at all) to 1")
      .optional(),
    focus: z
      .strictObject({
        depth: depth('the depth that is sharp: a number above -1, or "horizon"'),
        blur: pixels('a blur radius in px, such as "6px"'),
      })
      .describe("settings of focus: depth and blur")
      .optional(),
    backdrop: z
      .strictObject({
        image: path("the path of a picture inside the page file's folder"),
        alt: words(0, 'what the picture shows, or "" when it only decorates'),
        subject,
        ...motion,
      })
      .describe("a picture behind all scenes: image, alt, subject, depth or speed")
      .optional(),
    rules: rulesOf({ relief, camera }),
  })
  .describe("what the whole page looks like");

const checkSetting = z
  .strictObject({
    rule: z.enum(checkRules).describe(`a rule: ${checkRules.map((rule) => `"${rule}"`).join(", ")}`),
    scene: z.string().describe("the name of the scene that it is for; all of them without it").optional(),
    layer: z.string().describe("the name of the layer that it is for; all of them without it").optional(),
    severity: z.enum(["error", "warning", "note", "off"]).describe('"error", "warning", "note" or "off"'),
    reason: words(1, "why it is so on this page").optional(),
  })
  .describe("a setting of a check: rule, scene, layer, severity, reason");

/** The page file, `lumbit/1`. */
export const pageSchema = z
  .strictObject({
    $schema: z.string().describe("where an editor finds the schema of this file").optional(),
    format: z.literal("lumbit/1").describe('"lumbit/1"'),
    title: words(1, "the page's title, at least one character"),
    lang: z
      .string()
      .regex(/^[a-z]{2,3}(-[a-z0-9]{2,8})*$/i)
      .describe('the page\'s language as a tag such as "en" or "pt-BR"'),
    page: look.optional(),
    fonts: z.array(fontFace).describe("a list of font files shipped with the page").optional(),
    scenes: z.array(scene).min(1).describe("a list of at least one scene, from top to bottom"),
    checks: z.array(checkSetting).describe("a list of settings of checks").optional(),
  })
  .describe("a page of layered scenes");

/** The JSON Schema (draft 2020-12) of the page file, for editors. */
export function pageJsonSchema(): object {
  const schema = z.toJSONSchema(pageSchema, { io: "input" });
  return { title: "Lumbit page file", ...schema };
}
