import { z } from "zod";
import { isCssValue } from "./css-value.ts";

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

const layer = z
  .strictObject({
    name: name,
    image: path(
      'the path of a picture inside the page file\'s folder, such as "art/far-kelp.webp"',
    ).optional(),
    alt: words(0, 'what the picture shows, or "" when it only decorates').optional(),
    subject: z
      .tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
      .describe("the point that must stay in sight as two shares of width and height, such as [0.5, 0.3]")
      .optional(),
    text: words(1, "the words to show, at least one character").optional(),
    as: z
      .enum(["h1", "h2", "h3", "h4", "h5", "h6", "p"])
      .describe('the HTML element of the text: "h1" to "h6" or "p"')
      .optional(),
    depth: z
      .union([z.number().gt(-1), z.literal("horizon")])
      .describe('the distance behind the page surface in camera distances: a number above -1, or "horizon"')
      .optional(),
    speed: z
      .number()
      .min(0)
      .describe("screen movement per scrolled pixel: a number of 0 (fixed) or more, 1 is with the page")
      .optional(),
    place: place.optional(),
    color: colour.optional(),
    fontFamily: fontFamily.optional(),
    fontSize: z
      .union([extent("text size"), fluidSize])
      .describe('A length such as "3rem", or { "min": "40px", "max": "120px" } to grow with the viewport.')
      .optional(),
    fontWeight: z.number().min(1).max(1000).describe("a font weight from 1 to 1000").optional(),
    fontStyle: z.enum(["normal", "italic"]).describe('"normal" or "italic"').optional(),
    lineHeight: z.number().positive().describe("the line height in font sizes, a number above 0").optional(),
    letterSpacing: z
      .union([zero, z.string().regex(new RegExp(`^${number}(em|px|rem|[sld]?v[wh])$`))])
      .describe('the space between letters: a length such as "-0.02em" or "1px"')
      .optional(),
    maxWidth: extent("greatest width of the text").optional(),
    textAlign: z.enum(["left", "center", "right"]).describe('"left", "center" or "right"').optional(),
  })
  .describe("One picture or text of the scene.");

const scene = z
  .strictObject({
    name,
    height: extentLength(
      'the scene\'s height: a length such as "130vh" or "900px", not a percentage; "100vh" without it',
      new RegExp(size.source.replace("%|", "")),
    ).optional(),
    settle: z
      .union([z.enum(["auto", "enter", "top", "middle", "bottom", "leave"]), z.number().min(0).max(1)])
      .describe(
        'when every layer stands where it was placed: "auto", "enter", "top", "middle", "bottom", "leave" or a share of the passage from 0 to 1',
      )
      .optional(),
    background: background.optional(),
    color: colour.optional(),
    layers: z
      .array(layer, { error: () => "a list of layers" })
      .describe(
        "The layers of the scene. Paint order is depth order, far first; document order among equals.",
      ),
  })
  .describe("One box of the page in which layers are stacked.");

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
  .describe("A font file shipped with the page.");

/** The page file, `lumbit/1`. */
export const pageSchema = z
  .strictObject({
    $schema: z.string().describe("Where an editor finds the schema of this file.").optional(),
    format: z.literal("lumbit/1").describe('"lumbit/1"'),
    title: words(1, "the page's title, at least one character"),
    lang: z
      .string()
      .regex(/^[a-z]{2,3}(-[a-z0-9]{2,8})*$/i)
      .describe('the page\'s language as a tag such as "en" or "pt-BR"'),
    page: z
      .strictObject({
        background: background.optional(),
        color: colour.optional(),
        fontFamily: fontFamily.optional(),
      })
      .describe("What the whole page looks like.")
      .optional(),
    fonts: z.array(fontFace).describe("a list of font files shipped with the page").optional(),
    scenes: z.array(scene).min(1).describe("a list of at least one scene, from top to bottom"),
  })
  .describe("A page of layered scenes.");

/** The JSON Schema (draft 2020-12) of the page file, for editors. */
export function pageJsonSchema(): object {
  const schema = z.toJSONSchema(pageSchema, { io: "input" });
  return { title: "Lumbit page file", ...schema };
}
