import { checkSetting } from "./check.ts";
import { focus, haze } from "./common.ts";
import { boolean, choice, list, number, object, pattern, type Setting, text } from "./grammar.ts";
import { head } from "./head.ts";
import { rulesOf } from "./layer.ts";
import { sceneGrammar } from "./scene.ts";
import {
  background,
  camera,
  color,
  fontFamily,
  href,
  motion,
  relief,
  subject,
  videoMeaning,
} from "./shared.ts";
import { blockStyle } from "./text-style.ts";
import { extent, path } from "./values.ts";

/** A font file shipped with the page, in the descriptors of `@font-face`. */
export const fontFace = {
  family: {
    grammar: pattern(/^[\p{L}\p{N}][\p{L}\p{N} _-]*$/u, "a font name of letters, digits and spaces"),
    meaning: "The name by which font lists call it.",
    required: true,
  },
  src: {
    grammar: path('the path of a font file inside the page file\'s folder, such as "fonts/text.woff2"'),
    meaning: "The path of its file, in the page file's folder.",
    required: true,
  },
  weight: {
    grammar: pattern(
      /^\d{1,4}( \d{1,4})?$/,
      'a weight such as "400", or the range of a variable font such as "100 900"',
    ),
    meaning: "Its weight, or the range of a variable font.",
  },
  style: { grammar: choice(["normal", "italic"]), meaning: "Upright or italic." },
} as const satisfies Record<string, Setting>;

/** A picture behind all scenes of the page. */
export const backdrop = {
  image: {
    grammar: path("the path of a picture inside the page file's folder"),
    meaning: "The path of its file, in the page file's folder.",
    required: true,
  },
  alt: {
    grammar: text(0, 'what the picture shows, or "" when it only decorates'),
    meaning: 'What it shows, or `""` when it only decorates.',
    required: true,
  },
  video: {
    grammar: path("the path of a film inside the page file's folder"),
    meaning: videoMeaning,
  },
  subject: { grammar: subject, meaning: "The point that crops keep in sight.", otherwise: "[0.5, 0.5]" },
  ...motion,
} as const satisfies Record<string, Setting>;

const headerLink = {
  text: {
    grammar: text(1, "the words of the link, at least one character"),
    meaning: "Its words.",
    required: true,
  },
  href: { ...href, meaning: "Where it leads.", required: true },
} as const satisfies Record<string, Setting>;

/** What stays at the top of the screen, over all scenes. */
export const header = {
  text: {
    grammar: text(1, "the words at its start, such as the name of the house"),
    meaning: "The words at its start.",
  },
  href: { ...href, meaning: "Where they lead." },
  links: {
    grammar: list(
      object(headerLink, "a link: text and href"),
      "a list of links, each with text and href",
      1,
      50,
    ),
    meaning:
      "Links beside them. The one to the scene that is in the middle of the screen is marked, for those who listen too; a small script (0.5 kB) does that.",
  },
  background: { grammar: background, meaning: "Color or gradient behind it." },
  color: { grammar: color, meaning: "Color of its words." },
  here: { grammar: color, meaning: "Color of the link to where the reader is." },
  fontFamily: blockStyle.fontFamily,
  fontSize: blockStyle.fontSize,
  fontWeight: blockStyle.fontWeight,
  letterSpacing: blockStyle.letterSpacing,
} as const satisfies Record<string, Setting>;

/** How the pictures of a page are delivered. */
export const delivery = {
  similarity: {
    grammar: number(
      { least: 0.5, most: 1 },
      "how alike to the originals pictures have to be delivered: a structural similarity from 0.5 to 1",
    ),
    meaning: "How alike to the originals they are at least: a structural similarity (SSIM) from 0.5 to 1.",
    otherwise: "0.985",
  },
  copyright: {
    grammar: boolean("true to keep in the delivered pictures who made them, or false"),
    meaning:
      "`true` keeps in them who made them, as the originals say; nothing else of what they say is kept.",
  },
} as const satisfies Record<string, Setting>;

const plain = {
  header: {
    grammar: object(header, "what stays at the top of the screen: text, href, links and how it looks"),
    meaning: "What stays at the top of the screen, over all scenes.",
  },
  background: { grammar: background, meaning: "Color or gradient behind the page." },
  color: { grammar: color, meaning: "Color of its texts." },
  fontFamily: { grammar: fontFamily, meaning: "Font of its texts." },
  column: {
    grammar: extent("width of the page's column"),
    meaning: "Width of the column for content and column scenes.",
    otherwise: '"720px"',
  },
  margin: {
    grammar: extent("least space beside the column"),
    meaning: "Least space on both sides of the column.",
    otherwise: '"1.25rem"',
  },
  gap: {
    grammar: extent("space between blocks of content"),
    meaning: "Space between blocks of content.",
    otherwise: '"1rem"',
  },
  relief,
  camera,
  haze,
  focus,
  backdrop: {
    grammar: object(backdrop, "a picture behind all scenes: image, alt, video, subject, depth or speed"),
    meaning: 'A picture behind all scenes; `"horizon"` fixes it.',
  },
} as const satisfies Record<string, Setting>;

/** What the whole page looks like. */
export const pageLook = {
  ...plain,
  rules: { grammar: rulesOf(plain), meaning: "Relief and camera where a media query holds." },
} as const satisfies Record<string, Setting>;

export const page = {
  $schema: {
    grammar: text(0, "where an editor finds the schema of this file"),
    meaning: "Where an editor finds the schema of this file.",
  },
  format: { grammar: choice(["lumbit/1"], '"lumbit/1"'), meaning: "The format of the file.", required: true },
  title: {
    grammar: text(1, "the page's title, at least one character"),
    meaning: "The document's title.",
    required: true,
  },
  lang: {
    grammar: pattern(
      /^[a-z]{2,3}(-[a-z0-9]{2,8})*$/i,
      'the page\'s language as a tag such as "en" or "pt-BR"',
    ),
    meaning:
      "The document's language; in one written from right to left texts begin at the right, while places, directions and reels stay as they say.",
    required: true,
  },
  head: {
    grammar: object(
      head,
      "what the page says of itself: description, icon, image, address, themeColor, meta",
    ),
    meaning: "What the page says of itself, in the document's head.",
  },
  page: {
    grammar: object(pageLook, "what the whole page looks like"),
    meaning: "What the whole page looks like.",
  },
  pictures: {
    grammar: object(delivery, "how its pictures are delivered: similarity, copyright"),
    meaning: "How its pictures are delivered.",
  },
  fonts: {
    grammar: list(
      object(fontFace, "a font file shipped with the page"),
      "a list of font files shipped with the page",
    ),
    meaning:
      "Font files to ship; until one arrives the page is set in the reader's own, scaled to its letters.",
  },
  scenes: {
    grammar: list(sceneGrammar, "a list of at least one scene, from top to bottom", 1, 1000),
    meaning: "The scenes, from top to bottom.",
    required: true,
  },
  trusted: {
    grammar: list(
      path("the path of an HTML or SVG file inside the page file's folder"),
      "a list of the markup files whose scripts, frames and style sheets are wanted",
    ),
    meaning:
      "Markup files whose scripts, frames and style sheets are wanted: who wrote them may do anything on the page.",
  },
  checks: {
    grammar: list(
      object(checkSetting, "a setting of a check: rule, scene, layer, severity, reason"),
      "a list of settings of checks",
    ),
    meaning: "How grave findings are on this page.",
  },
} as const satisfies Record<string, Setting>;

/** The page file, `lumbit/1`. */
export const pageGrammar = object(page, "a page of layered scenes");
