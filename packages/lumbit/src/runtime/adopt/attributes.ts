import { type Grammar, holds, type Setting, type TypeOf, type ValueFault } from "../../settings/index.ts";
import type { Complain } from "./complaints.ts";

/** Settings by the names of their attributes. */
export type Rows = Readonly<Record<string, Pick<Setting, "grammar">>>;

/** A change of attributes where a media query holds; a setting without a value is taken away. */
export interface AttributeRule {
  media: string;
  changes: ReadonlyMap<string, string | undefined>;
}

/** The settings in an element's attributes, read by their names without `data-lumbit-`. */
export interface Attributes<Known extends Rows = Rows> {
  element: HTMLElement;
  rows: Known;
  complain: Complain;
  get(name: string): string | undefined;
  /** How messages call a setting. */
  nameOf(name: string): string;
}

/** The settings of an element where some of its rules hold. */
export function attributesOf<Known extends Rows>(
  element: HTMLElement,
  rows: Known,
  complain: Complain,
  rules: readonly AttributeRule[] = [],
): Attributes<Known> {
  const changed = (name: string) => rules.findLast(({ changes }) => changes.has(name));
  return {
    ...{ element, rows, complain },
    get(name) {
      const rule = changed(name);
      return rule ? rule.changes.get(name) : element.getAttribute(`data-lumbit-${name}`)?.trim();
    },
    nameOf: (name) => (changed(name) ? `data-lumbit-rules: ${name}` : `data-lumbit-${name}`),
  };
}

/**
 * The value of a setting in an attribute, written as in the page file: numbers and words as they stand, pairs side by side.
 * One that is not written so is told and left out.
 */
export function read<Known extends Rows, Key extends keyof Known & string>(
  attributes: Attributes<Known>,
  key: Key,
): TypeOf<Known[Key]["grammar"]> | undefined {
  return readAs(attributes, key, (grammar, text) => {
    const value = valueIn(grammar, text);
    return value === undefined ? { fault: { path: [], found: text, allowed: grammar.allowed } } : { value };
  });
}

/** The value of a setting in an attribute as `parse` makes it of its text. What that finds wrong is told and left out. */
export function readAs<Known extends Rows, Key extends keyof Known & string>(
  { element, rows, complain, get, nameOf }: Attributes<Known>,
  key: Key,
  parse: (grammar: Grammar, text: string) => { value: unknown } | { fault: ValueFault },
): TypeOf<Known[Key]["grammar"]> | undefined {
  const [text, grammar] = [get(key), rows[key]?.grammar];
  if (text === undefined || !grammar) return undefined;
  const read = parse(grammar, text);
  if ("value" in read) return read.value as TypeOf<Known[Key]["grammar"]>;
  complain({ element, name: nameOf(key), fault: read.fault });
  return undefined;
}

/** A text as a value of a grammar; nothing where it is none. */
function valueIn(grammar: Grammar, text: string): unknown {
  switch (grammar.form) {
    case "either":
      return grammar.of.map((of) => valueIn(of, text)).find((value) => value !== undefined);
    case "pair": {
      // Not at the spaces of a sum.
      const parts = text.split(/\s+(?![^(]*\))/);
      const half = parts.length / 2;
      const values = [parts.slice(0, half), parts.slice(half)].map((part) =>
        valueIn(grammar.of, part.join(" ")),
      );
      return values.includes(undefined) ? undefined : values;
    }
    case "number":
    case "boolean":
    case "pattern":
    case "choice":
    case "length": {
      const value = said(grammar.form, text);
      return holds(grammar, value) ? value : undefined;
    }
    default:
      return undefined;
  }
}

/** What a text says where a single value is wanted. */
function said(form: string, text: string): unknown {
  if (form === "number") return text === "" ? text : Number(text);
  if (form === "boolean") return text === "" || text === "true" ? true : text === "false" ? false : text;
  return form === "length" && text === "0" ? 0 : text;
}
