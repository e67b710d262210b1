import { z } from "zod";
import { checkRules } from "../core/index.ts";
import { isSafeLink } from "./link.ts";
import {
  camera,
  cue,
  depth,
  fluidSize,
  layer,
  layerShape,
  motion,
  relief,
  rulesOf,
  subject,
  textStyle,
} from "./schema-layer.ts";
import {
  background,
  colour,
  extent,
  extentLength,
  fontFamily,
  name,
  path,
  pixels,
  size,
  words,
  zero,
} from "./schema-values.ts";

const blockStyle = {
  ...textStyle,
  fontSize: z
    .union([extent("text size"), fluidSize])
    .describe('a length such as "3rem", or { "min": "40px", "max": "120px" } to grow with the viewport')
    .optional(),
};
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
    cue: cue.optional(),
    ...blockStyle,
    rules: rulesOf(blockStyle).optional(),
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
  width: z.enum(["full", "column"]).describe('"full" or "column"').optional(),
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
    rules: rulesOf(sceneSettings).optional(),
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
    rules: rulesOf({ relief, camera }).optional(),
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
