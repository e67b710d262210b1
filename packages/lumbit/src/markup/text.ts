import { fluidSize, type TextStyle } from "../core/index.ts";
import { lengthCss } from "./lengths.ts";
import { type Declarations, round } from "./tree.ts";

/** A text's settings as CSS. */
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
    "font-size": typeof fontSize === "object" ? fluidCss(fluidSize(fontSize)) : fontSize,
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

function fluidCss({ min, max, from, to }: ReturnType<typeof fluidSize>): string {
  const slope = round((max - min) / (to - from));
  return `clamp(${min}px, ${min}px + ${slope} * (100vw - ${from}px), ${max}px)`;
}
