import { isContained } from "./safe.ts";
import type { Declarations, StyleRule } from "./tree.ts";

/** A style rule as text, inside its media queries; nothing where it declares nothing. */
export function ruleCss({ selector, declarations, media = [] }: StyleRule): string {
  const rule = [media].flat().every(isContained) ? declare(selector, declarations) : "";
  return rule && [media].flat().reduceRight((inner, query) => `@media ${query} { ${inner} }`, rule);
}

/** A selector or at-rule with its declarations. */
export function declare(selector: string, declarations: Declarations): string {
  const lines = Object.entries(declarations).filter(
    ([, value]) => value !== undefined && (typeof value === "number" || isContained(value)),
  );
  return lines.length === 0
    ? ""
    : `${selector} { ${lines.map(([name, value]) => `${name}: ${value};`).join(" ")} }`;
}
