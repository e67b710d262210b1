import { type Grammar, longest } from "./grammar.ts";
import { holds } from "./holds.ts";

/** What keeps a value from being written as its grammar says: where in it, what was found, what is allowed there. */
export interface ValueFault {
  path: readonly (string | number)[];
  /** `undefined` where something is missing. */
  found: unknown;
  allowed: string;
}

/** Who knows whether a text is a value of a CSS property, or a media query, there where a value is judged. */
export interface Judge {
  css(property: string, text: string): boolean;
  media(query: string): boolean;
  /** Links are of scenes: who judges no scenes knows none. */
  link?(href: string): boolean;
}

/**
 * The first fault of a value, for those who have no room for a reader of page files: it accepts what that accepts
 * (`document/schema.test.ts` compares both).
 */
export function faultIn(
  grammar: Grammar,
  value: unknown,
  judge: Judge,
  path: ValueFault["path"] = [],
): ValueFault | undefined {
  const fault = { path, found: value, allowed: allowedFor(grammar, value) };
  const inner = (of: Grammar, part: unknown, key: string | number) =>
    faultIn(of, part, judge, [...path, key]);
  const text = typeof value === "string" ? value : undefined;
  const entries = typeof value === "object" && value !== null ? Object.entries(value) : [];
  const unless = (right: boolean) => (right ? undefined : fault);
  switch (grammar.form) {
    case "number":
    case "boolean":
    case "pattern":
    case "choice":
    case "length":
      return unless(holds(grammar, value));
    case "text":
      return unless(text !== undefined && text.length >= grammar.least && text.length <= longest.text);
    case "css":
      return unless(text !== undefined && text.length <= longest.css && judge.css(grammar.property, text));
    case "media":
      return unless(text !== undefined && text.length <= longest.media && judge.media(text));
    case "link":
      return unless(text !== undefined && judge.link?.(text) === true);
    case "either":
      return unless(grammar.of.some((of) => !faultIn(of, value, judge)));
    case "pair":
      if (!Array.isArray(value) || value.length !== 2) return fault;
      return inner(grammar.of, value[0], 0) ?? inner(grammar.of, value[1], 1);
    case "list":
      if (!Array.isArray(value) || value.length < grammar.least || value.length > grammar.most) return fault;
      return first(value, (part, index) => inner(grammar.of, part, index));
    case "map":
      if (!isObject(value)) return fault;
      return first(entries, ([key, part]) => (grammar.key.test(key) ? inner(grammar.of, part, key) : fault));
    case "object": {
      if (!isObject(value) || (grammar.some && entries.length === 0)) return fault;
      const { settings } = grammar;
      const wrong = first(entries, ([key, part]) => {
        const known = Object.hasOwn(settings, key) ? settings[key] : undefined;
        return known
          ? inner(known.grammar, part, key)
          : { path: [...path, key], found: key, allowed: `one of ${Object.keys(settings).join(", ")}` };
      });
      const missing = Object.entries(settings).find(([key, { required }]) => required && !(key in value));
      return (
        wrong ??
        (missing && { path: [...path, missing[0]], found: undefined, allowed: missing[1].grammar.allowed })
      );
    }
  }
}

/** What is allowed where a value was found: in words, and the limit that it has passed. */
export function allowedFor(grammar: Grammar, found: unknown): string {
  const { allowed, form } = grammar;
  const long = (most: number) =>
    typeof found === "string" && found.length > most ? `; at most ${most} characters` : "";
  const more =
    form === "text" || form === "css" || form === "media"
      ? long(longest[form])
      : form === "list" && Array.isArray(found) && found.length > grammar.most
        ? `; at most ${grammar.most} of them`
        : form !== "number" && typeof found === "string" && /\d{6,}/.test(found)
          ? `; lengths go to ${longest.length}`
          : "";
  return allowed + more;
}

const isObject = (value: unknown): value is object =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function first<Part>(
  parts: readonly Part[],
  faultOf: (part: Part, index: number) => ValueFault | undefined,
): ValueFault | undefined {
  for (const [index, part] of parts.entries()) {
    const fault = faultOf(part, index);
    if (fault) return fault;
  }
  return undefined;
}
