import { type CssNode, lexer, parse, tokenize, tokenTypes } from "css-tree/dist/csstree.esm";

/**
 * Whether a text is a value of a CSS property that stands on its own: complete, nothing that reaches outside the
 * page file (`url()`) or depends on what is around it (`var()`), and no CSS-wide keyword.
 */
export function isCssValue(property: string, text: string): boolean {
  if (/url\(|image-set\(|src\(|var\(|env\(|[;{}\\<>]|\/\*/i.test(text)) return false;
  if (/^\s*(inherit|initial|unset|revert|revert-layer)\s*$/i.test(text)) return false;
  if (!isClosed(text)) return false;
  const parts = partsOf(text);
  // What is longer the matcher gives up on.
  if (parts.some((part) => part.length > longestPart)) return false;
  const inner = listed[property];
  if (!inner || parts.length === 1) return matches(text, (value) => lexer.matchProperty(property, value));
  return parts.every((part, index) => {
    const last = property === "background" && index === parts.length - 1;
    return matches(part, (value) => lexer.match(last ? "<final-bg-layer>" : inner, value));
  });
}

const longestPart = 500;

/** Properties whose values are lists: what each part is. The last one of a background may have a color. */
const listed: Readonly<Record<string, string>> = {
  background: "<bg-layer>",
  "box-shadow": "<shadow>",
  "font-family": "<family-name> | <generic-family>",
};

function matches(text: string, match: (value: CssNode) => { error: Error | null }): boolean {
  try {
    return match(parse(text, { context: "value", onParseError: () => {} })).error === null;
  } catch {
    return false;
  }
}

/** The parts of a list in CSS, in which each is matched by itself: all of them at once takes longer and longer. */
function partsOf(text: string): string[] {
  const ends: number[] = [];
  let open = 0;
  tokenize(text, (type, start) => {
    if (type === tokenTypes.Function || type === tokenTypes.LeftParenthesis) open++;
    if (type === tokenTypes.RightParenthesis) open--;
    if (type === tokenTypes.Comma && open === 0) ends.push(start);
  });
  return [...ends, text.length].map((end, index) =>
    text.slice(index === 0 ? 0 : (ends[index - 1] as number) + 1, end),
  );
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
