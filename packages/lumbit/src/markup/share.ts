import { type Length, termsOf } from "../core/index.ts";
import { css, type Expression, value } from "./arithmetic.ts";
import { round } from "./tree.ts";

/** A length whose percentages are of another one. */
export function lengthOf(length: Length | undefined, whole: Expression): Expression | undefined {
  const terms = length === undefined ? undefined : termsOf(length);
  if (!terms || terms.length === 0) return undefined;
  return css.add(
    ...terms.map((term) =>
      term.unit === "%"
        ? css.multiply(css.number(term.value / 100), whole)
        : value(`${round(term.value)}${term.unit}`),
    ),
  );
}
