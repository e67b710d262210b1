/*
 * Page files are judged when they are read. Objects that programs give are not, but in development: what is written of them
 * can end no declaration, rule or selector, and loads and runs nothing.
 */

/** A name in quotes, as CSS writes strings. */
export const quoted = (name: string): string =>
  // biome-ignore lint/suspicious/noControlCharactersInRegex: they end strings.
  `"${name.replace(/["\\\0-\x1f\x7f]/g, (letter) => `\\${letter.charCodeAt(0).toString(16)} `)}"`;

/** Whether a value of a declaration, or a media query, ends where it is written to end, and loads nothing. */
export function isContained(text: string): boolean {
  if (/[;{}\\]|<[/!]|\/\*|\b(?:url|src|image|image-set|element)\(/i.test(text)) return false;
  let open = 0;
  let quote = "";
  for (const letter of text) {
    if (quote !== "") {
      if (letter === "\n") return false;
      if (letter === quote) quote = "";
    } else if (letter === '"' || letter === "'") quote = letter;
    else if (letter === "(") open++;
    else if (letter === ")" && --open < 0) return false;
  }
  return open === 0 && quote === "";
}
