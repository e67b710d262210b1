/**
 * How a setting is written: plain data, from which the reader of page files, the JSON Schema, attributes, the types and
 * the documents are made. `T` is what such a value is in TypeScript.
 */
export type Grammar<T = unknown> = Form & {
  /** What is allowed, in words that finish "allowed: …". */
  allowed: string;
  /** Never there: it carries the type. */
  readonly type?: T;
};

type Form =
  | ({ form: "number" } & Limits)
  | { form: "boolean" }
  /** Any text of at least so many characters, and at most `longest.text`. */
  | { form: "text"; least: 0 | 1 }
  | { form: "pattern"; pattern: RegExp }
  | { form: "choice"; words: readonly string[] }
  /** A length in these units; 0 needs none. */
  | { form: "length"; units: readonly string[]; negative: boolean }
  /** A value of a CSS property that stands on its own. */
  | { form: "css"; property: string }
  | { form: "media" }
  | { form: "link" }
  | { form: "either"; of: readonly Grammar[] }
  | { form: "pair"; of: Grammar }
  /** `again`: what is in the list may have the same list in it. */
  | { form: "list"; of: Grammar; least: number; most: number; again?: true }
  | { form: "object"; settings: Settings; some: boolean }
  /** By keys of a pattern. */
  | { form: "map"; key: RegExp; of: Grammar };

/** What a number may be: nothing on a page is ever not finite. */
export type Limits = { most: number; whole?: true } & ({ least: number } | { above: number });

/** How long texts are at most, in characters, and how large the numbers of lengths, whatever their unit. */
export const longest = { text: 20_000, css: 4_000, media: 500, list: 10_000, length: 99_999 };

/** One setting: how it is written, what it does, and where it may be given. */
export interface Setting<T = unknown> {
  grammar: Grammar<T>;
  /** What it does, in one sentence. */
  meaning: string;
  /** What holds where it is not given, as it would be written. */
  otherwise?: string;
  required?: true;
  /** The kinds of layers that have it; all without it. */
  kinds?: readonly Kind[];
  /** A picture in a pane, whose overscan follows from its depth alone, does not have it. */
  unpaned?: true;
  /** Whether a rule by media query may change it, and take it away with `"none"`. */
  byRule?: true | "none";
}

export type Settings = Readonly<Record<string, Setting>>;

/** What a layer can be: a picture, a text, a shape, a group, or a slide of a reel. */
export type Kind = "image" | "text" | "shape" | "markup" | "group" | "slide";

/** The type of a value of a grammar. */
export type TypeOf<G> = G extends Grammar<infer T> ? T : never;

type RequiredKeys<S> = { [K in keyof S]: S[K] extends { required: true } ? K : never }[keyof S];

/** The type of an object of settings. */
export type ValuesOf<S> = { [K in RequiredKeys<S>]: ValueOf<S[K]> } & {
  [K in Exclude<keyof S, RequiredKeys<S>>]?: ValueOf<S[K]>;
};

type ValueOf<Row> = Row extends { grammar: infer G } ? TypeOf<G> : never;

const grammar = <T>(form: Form, allowed: string): Grammar<T> => ({ ...form, allowed });

/** A number; limits that `allowed` does not say are said after it. */
export function number(limits: Limits, allowed: string): Grammar<number> {
  const { most } = limits;
  const said = allowed.includes(String(most));
  const from = "least" in limits && limits.least < 0 ? `from ${limits.least} to ${most}` : `at most ${most}`;
  return grammar({ form: "number", ...limits }, said ? allowed : `${allowed}, ${from}`);
}

export const boolean = (allowed: string): Grammar<boolean> => grammar({ form: "boolean" }, allowed);

export const text = (least: 0 | 1, allowed: string): Grammar<string> =>
  grammar({ form: "text", least }, allowed);

export const pattern = <T extends string = string>(pattern: RegExp, allowed: string): Grammar<T> =>
  grammar({ form: "pattern", pattern }, allowed);

export const choice = <const Words extends readonly string[]>(
  words: Words,
  allowed: string = words
    .map((word) => `"${word}"`)
    .join(", ")
    .replace(/, ([^,]+)$/, " or $1"),
): Grammar<Words[number]> => grammar({ form: "choice", words }, allowed);

export const css = (property: string, allowed: string): Grammar<string> =>
  grammar({ form: "css", property }, allowed);

export const media = (allowed: string): Grammar<string> => grammar({ form: "media" }, allowed);

export const link = (allowed: string): Grammar<string> => grammar({ form: "link" }, allowed);

export const either = <const Of extends readonly Grammar[]>(
  of: Of,
  allowed: string,
): Grammar<TypeOf<Of[number]>> => grammar({ form: "either", of }, allowed);

export const pair = <T>(of: Grammar<T>, allowed: string): Grammar<readonly [T, T]> =>
  grammar({ form: "pair", of }, allowed);

export const list = <T>(
  of: Grammar<T>,
  allowed: string,
  least = 0,
  most = longest.list,
): Grammar<readonly T[]> => grammar({ form: "list", of, least, most }, allowed);

export const object = <const S extends Settings>(settings: S, allowed: string): Grammar<ValuesOf<S>> =>
  grammar({ form: "object", settings, some: false }, allowed);

/** An object with at least one of its settings. */
export const some = <const S extends Settings>(settings: S, allowed: string): Grammar<ValuesOf<S>> =>
  grammar({ form: "object", settings, some: true }, allowed);

export const map = <T>(key: RegExp, of: Grammar<T>, allowed: string): Grammar<Readonly<Record<string, T>>> =>
  grammar({ form: "map", key, of }, allowed);

/** A grammar whose values have a more exact type than what it is made of says. */
export const typed = <T>({ ...of }: Grammar): Grammar<T> => of as Grammar<T>;

/** Those of some settings that a rule may change, as a rule gives them. */
export const changeable = (settings: Settings): Settings =>
  Object.fromEntries(
    Object.entries(settings).flatMap(([name, setting]) => {
      if (!setting.byRule) return [];
      const { required: _, ...row } = setting;
      const none = setting.byRule === "none";
      return [
        [
          name,
          none
            ? {
                ...row,
                grammar: either([choice(["none"]), setting.grammar], `${setting.grammar.allowed}; or "none"`),
              }
            : row,
        ],
      ];
    }),
  );
