import { lexer, parse } from "css-tree";

/**
 * Whether a text is a value of a CSS property that stands on its own: complete, nothing that reaches outside the
 * page file (`url()`) or depends on what is around it (`var()`), and no CSS-wide keyword.
 */
export function isCssValue(property: string, text: string): boolean {
  if (/url\(|image-set\(|src\(|var\(|env\(|[;{}\\<>]|\/\*/i.test(text)) return false;
  if (/^\s*(inherit|initial|unset|revert|revert-layer)\s*$/i.test(text)) return false;
  try {
    const value = parse(text, { context: "value", onParseError: () => {} });
    return lexer.matchProperty(property, value).error === null;
  } catch {
    return false;
  }
}
