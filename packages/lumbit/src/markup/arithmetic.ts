import { type Arithmetic, steep } from "../core/index.ts";
import { round } from "./tree.ts";

/** A CSS expression, and how it has to be bracketed inside another one. */
export interface Expression {
  text: string;
  kind: "value" | "product" | "sum";
}

/** A value that stands for itself: a length, a number, a function, a property. */
export const value = (text: string | number): Expression => ({ text: String(text), kind: "value" });

/** An expression as the value of a property. */
export const print = ({ text, kind }: Expression): string => (kind === "value" ? text : `calc(${text})`);

/** Prints the formulas of the model as CSS (CSS Values 4, math functions). */
export const css: Arithmetic<Expression> = {
  number: (number) => value(round(number)),
  px: (number) => value(`${round(number)}px`),
  add: (...terms) => sum(terms, "+", ({ text }) => text),
  subtract: (from, ...terms) => sum([from, ...terms], "-", (term) => bracketed(term, "sum")),
  multiply: (...factors) => ({
    text: factors.map((factor) => bracketed(factor, "sum")).join(" * "),
    kind: "product",
  }),
  divide: (of, by) => ({
    text: `${bracketed(of, "sum")} / ${bracketed(by, "sum", "product")}`,
    kind: "product",
  }),
  min: (...values) => value(`min(${values.map(({ text }) => text).join(", ")})`),
  max: (...values) => value(`max(${values.map(({ text }) => text).join(", ")})`),
  clamp: (low, of, high) => value(`clamp(${low.text}, ${of.text}, ${high.text})`),
  // No length on a page is a millionth of a px.
  where: (positive, length) => value(`clamp(0px, ${bracketed(positive, "sum")} * ${steep}, ${length.text})`),
};

const sum = (terms: readonly Expression[], sign: string, later: (term: Expression) => string): Expression => {
  const [first, ...rest] = terms;
  return { text: [first?.text, ...rest.map(later)].join(` ${sign} `), kind: "sum" };
};

const bracketed = ({ text, kind }: Expression, ...kinds: Expression["kind"][]) =>
  kinds.includes(kind) ? `(${text})` : text;
