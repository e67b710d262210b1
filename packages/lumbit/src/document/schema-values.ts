import { z } from "zod";
import { isCssValue } from "./css-value.ts";

/*
 * Every description says what is allowed, in words that finish "allowed: …": editors show it at the key and the
 * reader puts it into its messages.
 */

export const number = String.raw`[+-]?(\d+\.?\d*|\.\d+)`;
const units = "(px|%|rem|[sld]?v[wh])";
export const size = /^\+?(\d+\.?\d*|\.\d+)(px|%|rem|[sld]?v[wh])$/;
export const zero = z.literal(0);

export const words = (min: 0 | 1, allowed: string) => z.string().min(min).describe(allowed);
export const length = (allowed: string) =>
  z.union([zero, z.string().regex(new RegExp(`^${number}${units}$`))]).describe(allowed);
export const extentLength = (allowed: string, pattern = size) =>
  z.union([zero, z.string().regex(pattern)]).describe(allowed);
export const pixels = (allowed: string) =>
  z
    .string()
    .regex(/^(\d+\.?\d*|\.\d+)px$/)
    .describe(allowed);
export const css = (property: string, allowed: string) =>
  z
    .string()
    .refine((text) => isCssValue(property, text))
    .describe(allowed);
export const path = (allowed: string) =>
  z
    .string()
    .regex(/^(?![a-z][a-z0-9+.-]*:|[/\\])[^\\\0?#]+$/i)
    .describe(allowed);

export const name = z
  .string()
  .regex(/^[\p{L}][\p{L}\p{N}_-]*$/u)
  .describe("a name that starts with a letter and goes on with letters, digits, - and _");
export const colour = css("color", 'a CSS color such as "#06202b" or "oklch(0.7 0.1 180)"');
export const background = css(
  "background",
  'a CSS color or gradient such as "#06202b" or "linear-gradient(#cde, #024)"',
);
export const fontFamily = css("font-family", 'a CSS font list such as "Georgia, serif"');
export const extent = (axis: string) =>
  extentLength(`the ${axis}: a length such as "40vw", "110%" or "300px", not negative`);
