import { lexer, parse, tokenize, tokenTypes } from "css-tree/dist/csstree.esm";

/**
 * Whether a text is a value of a CSS property that stands on its own: complete, nothing that reaches outside the
 * page file (`url()`) or depends on what is around it (`var()`), and no CSS-wide keyword.
 */
export function isCssValue(property: string, text: string): boolean {
  if (/url\(|image-set\(|src\(|var\(|env\(|[;{}\\<>]|\/\*/i.test(text)) return false;
  if (/^\s*(inherit|initial|unset|revert|revert-layer)\s*$/i.test(text)) return false;
  if (!isClosed(text)) return false;
  try {
    const value = parse(text, { context: "value", onParseError: () => {} });
    return lexer.matchProperty(property, value).error === null;
  } catch {
    return false;
  }
}

/** Whether every quote and parenthesis is closed: what is not would take in the rest of the style sheet. */
function isClosed(text: string): boolean {
  let open = 0;
  let whole = true;
  tokenize(text, (type, start, end) => {
    if (type === tokenTypes.Function || type === tokenTypes.LeftParenthesis) open++;
    if (type === tokenTypes.RightParenthesis) whole &&= --open >= 0;
    if (type === tokenTypes.BadString) whole = false;
    if (type === tokenTypes.String) whole &&= end - start > 1 && text[end - 1] === text[start];
  });
  return whole && open === 0;
}
