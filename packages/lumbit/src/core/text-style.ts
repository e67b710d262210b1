import type { FittedSize, FluidSize } from "./font-size.ts";
import type { TextLayer } from "./layer.ts";
import type { Length } from "./units.ts";

/** Text settings, named as the CSS properties are in the CSSOM. */
export interface TextStyle {
  color?: string;
  fontFamily?: string;
  fontSize?: Length | FluidSize | FittedSize;
  fontWeight?: number;
  fontStyle?: "normal" | "italic";
  lineHeight?: number;
  letterSpacing?: `${number}em` | Length;
  /** By default where the page's language begins its lines. */
  textAlign?: "left" | "center" | "right";
  /** The text is never wider than this; percentages are of the scene's width. */
  maxWidth?: Length;
  /** Width of the letters' outline; the letters are then drawn as outlines only. */
  outline?: Length;
}

/** What a text looks like when it does not say; the family is the page's. */
export const textDefaults = {
  as: "p",
  fontWeight: 400,
  fontStyle: "normal",
  lineHeight: 1.3,
} as const;

/** The space in a button above and below its text when it does not say. */
export const buttonPadding = "0.75rem";

/** A letter's mean advance in font sizes, for a font that is not at hand. */
export const averageAdvance = 0.5;

/** More than the largest optical size of any font, which is then taken: that of fitted texts. */
export const largestOpticalSize = 1000;

/** The element of a text layer. */
export const elementOf = (layer: TextLayer) => layer.as ?? textDefaults.as;
