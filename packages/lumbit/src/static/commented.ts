import type { Declarations, StyleRule } from "../markup/index.ts";

/** Nothing of a page ends a comment. */
export const comment = (lines: readonly string[]) => `\n/* ${lines.join("\n   ").replaceAll("*/", "* /")} */`;

/** Declarations without those that are left out. */
export const said = (declarations: Declarations): Declarations =>
  Object.fromEntries(Object.entries(declarations).filter(([, value]) => value !== undefined));

/** A rule, a declaration a line. */
export function rule({ selector, declarations, media = [] }: StyleRule): string {
  const lines = Object.entries(said(declarations));
  if (lines.length === 0) return "";
  const text = `${selector} {\n${lines.map(([name, value]) => `  ${name}: ${value};`).join("\n")}\n}`;
  return [media].flat().reduceRight((inner, query) => `@media ${query} {\n${inner}\n}`, text);
}
