import type { Grammar } from "./grammar.ts";
import { lengthPattern } from "./length-pattern.ts";

/** A grammar of values that have no others in them. */
export type Single = Extract<Grammar, { form: "number" | "boolean" | "pattern" | "choice" | "length" }>;

/** Whether a value is written as a grammar of single values says. */
export function holds(grammar: Single, value: unknown): boolean {
  const text = typeof value === "string" ? value : undefined;
  switch (grammar.form) {
    case "number": {
      const { most, whole } = grammar;
      const [least, above] = "least" in grammar ? [grammar.least, -Infinity] : [-Infinity, grammar.above];
      return (
        Number.isFinite(value) &&
        (value as number) >= least &&
        (value as number) > above &&
        (value as number) <= most &&
        (!whole || Number.isInteger(value))
      );
    }
    case "boolean":
      return typeof value === "boolean";
    case "pattern":
      return text !== undefined && grammar.pattern.test(text);
    case "choice":
      return text !== undefined && grammar.words.includes(text);
    case "length":
      return value === 0 || (text !== undefined && lengthPattern(grammar.units, grammar.negative).test(text));
  }
}
