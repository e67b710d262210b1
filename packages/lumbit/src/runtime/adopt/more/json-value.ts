import {
  cue,
  faultIn,
  type Grammar,
  type Judge,
  mediaQuery,
  object,
  type TypeOf,
  type ValueFault,
} from "../../../settings/index.ts";
import { type Attributes, type Rows, readAs } from "../attributes.ts";

/** The browser says what is CSS; nothing that reaches outside of the page, as in the page file. */
export const judge: Judge = {
  css: (property, text) => !/url\(|var\(|env\(/i.test(text) && CSS.supports(property, text),
  media: (query) => matchMedia(query).media !== "not all",
};

/** The value of a setting that is written as JSON in an attribute. One that is not written as it should be is told and left out. */
export function readJson<Known extends Rows, Key extends keyof Known & string>(
  attributes: Attributes<Known>,
  key: Key,
): TypeOf<Known[Key]["grammar"]> | undefined {
  return readAs(attributes, key, (grammar, text) => {
    const value = parsed(text);
    const fault = faultIn(grammar, value, judge);
    if (!fault) return { value };
    // What is no JSON has no path in it.
    return { fault: /^[[{]/.test(text) ? fault : { path: [], found: text, allowed: grammar.allowed } };
  });
}

/**
 * Judges the cue of an attribute: one, or a list of which the last one plays whose media query holds. One that is not
 * written as in the page file is told.
 */
export function judgeCue(attributes: Attributes): void {
  const value = parsed(attributes.get("cue") ?? "");
  if (Array.isArray(value))
    value.every((own, index) => !isRefused(attributes, "cue", faultIn(oneCue, own, judge, [index])));
  else isRefused(attributes, "cue", faultIn(oneCue, value, judge));
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
function isRefused({ element, nameOf, complain }: Attributes, name: string, fault?: ValueFault): boolean {
  if (fault) complain({ element, name: nameOf(name), fault });
  return fault !== undefined;
}

/** Whether a value is written as its grammar says. */
export const isWritten = (grammar: Grammar, value: unknown): boolean => !faultIn(grammar, value, judge);

/** A text as JSON; the text itself where it is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
