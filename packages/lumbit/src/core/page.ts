import type { backdrop, delivery, fontFace, head, pageLook, ValuesOf } from "../settings/index.ts";
import type { CheckSetting } from "./check-setting.ts";
import type { Motion } from "./depth.ts";
import type { Camera } from "./drift.ts";
import type { Rule } from "./rules.ts";
import type { Scene } from "./scene.ts";

/** A font file shipped with the page, in the descriptors of `@font-face`. */
export type FontFace = ValuesOf<typeof fontFace>;

/** A picture behind all scenes of the page. */
export type Backdrop = Motion & Omit<ValuesOf<typeof backdrop>, "depth" | "speed">;

/** What a page says of itself in its document's head. */
export type Head = ValuesOf<typeof head>;

/** How the pictures of a page are delivered. */
export type Delivery = ValuesOf<typeof delivery>;

/** What the whole page looks like. */
export type PageLook = Omit<ValuesOf<typeof pageLook>, "backdrop" | "rules"> & {
  backdrop?: Backdrop;
  rules?: readonly Rule<{ relief?: number; camera?: Camera }>[];
};

/** The space above and below the words that stay at the top of the screen. */
export const headerPadding = "0.9rem";

/** The space between the links there, in font sizes. */
export const headerGap = 1.6;

/**
 * The page as plain data: the shape of the page file, of what `mount` takes and of what the static output is made from.
 * Its unions are written so that a contradiction (both depth and speed; left, right and width) does not compile.
 */
export interface Page {
  format: "lumbit/1";
  title: string;
  lang: string;
  head?: Head;
  page?: PageLook;
  pictures?: Delivery;
  fonts?: readonly FontFace[];
  scenes: readonly Scene[];
  /** Markup files that may bring scripts. */
  trusted?: readonly string[];
  checks?: readonly CheckSetting[];
}

/** The look of a page that says nothing of it: always the same object, so that nothing seems to have changed. */
export const noLook: PageLook = {};
