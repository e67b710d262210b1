import type { textStyle, ValuesOf } from "../settings/index.ts";
import type { TextLayer } from "./layer.ts";

/** Text settings, named as the CSS properties are in the CSSOM. */
export type TextStyle = ValuesOf<typeof textStyle>;

/** What a text looks like when it does not say; the family is the page's. */
export const textDefaults = {
  as: "p",
  fontWeight: 400,
  fontStyle: "normal",
  lineHeight: 1.3,
} as const;

/** A letter's mean advance in font sizes, for a font that is not at hand. */
export const averageAdvance = 0.5;

/** More than the largest optical size of any font, which is then taken: that of fitted texts. */
export const largestOpticalSize = 1000;

/** The element of a text: whatever an object says, it is one for words. */
export const elementOf = ({ as = textDefaults.as }: Pick<TextLayer, "as">) =>
  /^(h[1-6]|p)$/.test(as) ? as : textDefaults.as;
