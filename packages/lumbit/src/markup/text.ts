import { fittedWidth, fluidSize, largestOpticalSize, type TextStyle } from "../core/index.ts";
import { css, print, value } from "./arithmetic.ts";
import { lengthCss } from "./lengths.ts";
import { variable } from "./properties.ts";
import type { Declarations } from "./tree.ts";

/**
 * A text's settings as CSS. Where it is fitted to a width, its letters have the largest optical size whatever their
 * size, so that its width in font sizes, --lumbit-ems, holds at all of them.
 */
export function textCss(style: TextStyle): Declarations {
  const {
    fontSize,
    color,
    fontFamily,
    fontWeight,
    fontStyle,
    lineHeight,
    letterSpacing,
    textAlign,
    outline,
  } = style;
  return {
    color,
    "font-family": fontFamily,
    "--lumbit-fit": lengthCss(fittedWidth(style), "x"),
    "font-size": sizeCss(fontSize),
    "font-variation-settings": fittedWidth(style) === undefined ? undefined : `"opsz" ${largestOpticalSize}`,
    "font-weight": fontWeight,
    "font-style": fontStyle,
    "line-height": lineHeight,
    "letter-spacing": letterSpacing,
    "text-align": textAlign,
    "-webkit-text-stroke-width": lengthCss(outline, "x"),
    "-webkit-text-stroke-color": outline && "currentcolor",
    "-webkit-text-fill-color": outline && "transparent",
  };
}

function sizeCss(size: TextStyle["fontSize"]): string | undefined {
  if (typeof size !== "object") return size as string | undefined;
  if ("fit" in size) return print(css.divide(variable("fit"), variable("ems")));
  return print(fluidSize(css, size, value("100vw")));
}
