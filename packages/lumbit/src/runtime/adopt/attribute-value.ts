import {
  cue,
  faultIn,
  type Grammar,
  type Judge,
  mediaQuery,
  object,
  type ValueFault,
} from "../../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Attributes } from "./attribute-rules.ts";

/** The browser says what is CSS; nothing that reaches outside of the page, as in the page file. */
export const judge: Judge = {
  css: (property, text) => !/url\(|var\(|env\(/i.test(text) && CSS.supports(property, text),
  media: (query) => matchMedia(query).media !== "not all",
};

/**
 * The value of a setting in an attribute, written as in the page file: numbers and words as they stand, pairs side by
 * side, lists and objects as JSON. One that is not written so is told and left out.
 */
export function readValue<T>(attributes: Attributes, name: string, grammar: Grammar<T>): T | undefined {
  const text = attributes.get(name);
  if (text === undefined) return undefined;
  const value = valueIn(grammar, text);
  const fault = faultIn(grammar, value, judge);
  // What is written side by side has no path in it.
  const isRefused = refuse(
    attributes,
    name,
    fault && (/^[[{]/.test(text) ? fault : { ...fault, path: [], found: text, allowed: grammar.allowed }),
  );
  return isRefused ? undefined : (value as T);
}

/**
 * Judges the cue of an attribute: one, or a list of which the last one plays whose media query holds. Whether it is
 * written as in the page file; one that is not is told.
 */
export function isCue(attributes: Attributes): boolean {
  const value = valueIn(oneCue, attributes.get("cue") ?? "");
  return Array.isArray(value)
    ? value.every((own, index) => !refuse(attributes, "cue", faultIn(oneCue, own, judge, [index])))
    : !refuse(attributes, "cue", faultIn(oneCue, value, judge));
}

/** A cue that comes from nothing is none. */
const oneCue = object(
  {
    ...cue,
    from: { ...cue.from, grammar: { ...cue.from.grammar, some: false } as Grammar },
    media: { grammar: mediaQuery, meaning: "The media query under which it plays." },
  },
  'a cue as JSON such as {"at": "entry 30%", "from": {"y": "40px", "opacity": 0}, "duration": 700}',
);

/** Tells of a fault, and whether there is one. */
function refuse(
  { element, nameOf, complain }: Attributes,
  name: string,
  fault: ValueFault | undefined,
): boolean {
  if (fault) complain(AttributeError.of(element, nameOf(name), fault));
  return fault !== undefined;
}

/** Whether a value is written as its grammar says. */
export const isWritten = (grammar: Grammar, value: unknown): boolean => !faultIn(grammar, value, judge);

/** A text as what its grammar may be written as; the text itself where it is none of that. */
function valueIn(grammar: Grammar, text: string): unknown {
  switch (grammar.form) {
    case "number":
      return text !== "" && Number.isFinite(Number(text)) ? Number(text) : text;
    case "boolean":
      return text === "" || text === "true" ? true : text === "false" ? false : text;
    case "length":
      return text === "0" ? 0 : text;
    case "either": {
      const values = grammar.of.map((of) => valueIn(of, text));
      return values.find((value, index) => !faultIn(grammar.of[index] as Grammar, value, judge)) ?? text;
    }
    case "pair": {
      // Not at the spaces of a sum.
      const parts = text.split(/\s+(?![^(]*\))/);
      const half = parts.length / 2;
      if (!Number.isInteger(half)) return text;
      return [parts.slice(0, half), parts.slice(half)].map((part) => valueIn(grammar.of, part.join(" ")));
    }
    case "list":
    case "map":
    case "object":
      try {
        return JSON.parse(text);
      } catch {
        return text;
      }
    default:
      return text;
  }
}
