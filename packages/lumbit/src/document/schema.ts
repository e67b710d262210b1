import { z } from "zod";
import { matchesMedia } from "../core/index.ts";
import {
  type Grammar,
  isSafeLink,
  lengthPattern,
  longest,
  pageGrammar,
  type Setting,
  writtenGrammar,
} from "../settings/index.ts";
import { isCssValue } from "./css-value.ts";

/** A grammar as a schema that reads JSON. */
function schemaOf(grammar: Grammar, key?: string): z.ZodType {
  const made = known.get(grammar) ?? withoutEval(() => named(make(grammar), grammar, key));
  known.set(grammar, made);
  return made;
}

const known = new Map<Grammar, z.ZodType>();

/** Schemas that make no functions of text, which strict policies refuse and report; those of others on the page stay as they are. */
function withoutEval<T>(make: () => T): T {
  const { jitless = false } = z.config();
  z.config({ jitless: true });
  try {
    return make();
  } finally {
    z.config({ jitless });
  }
}

/** What has settings of its own is one definition in the JSON Schema, by the key that it is first used at. */
function named(schema: z.ZodType, grammar: Grammar, key?: string): z.ZodType {
  const own = grammar.form === "list" ? grammar.of : grammar;
  if (key === undefined || own.form !== "object") return schema;
  const same = names.get(key) ?? 0;
  names.set(key, same + 1);
  return schema.meta({ id: same === 0 ? key : `${key}-${same + 1}` });
}

const names = new Map<string, number>();

/** The validator counts whatever has a length, before it looks whether that can be counted. */
const ofStrings: { abort?: boolean; when(payload: { value: unknown }): boolean } = {
  when: ({ value }) => typeof value === "string",
};

function make(grammar: Grammar): z.ZodType {
  switch (grammar.form) {
    case "number": {
      const schema: z.ZodNumber = (grammar.whole ? z.int() : z.number()).max(grammar.most);
      return "least" in grammar ? schema.min(grammar.least) : schema.gt(grammar.above);
    }
    case "boolean":
      return z.boolean();
    case "text":
      return z.string().min(grammar.least, ofStrings).max(longest.text, ofStrings);
    case "pattern":
      return z.string().regex(grammar.pattern);
    case "choice":
      return z.enum(grammar.words);
    case "length":
      return z.union([z.literal(0), z.string().regex(lengthPattern(grammar.units, grammar.negative))]);
    case "css":
      return z
        .string()
        .max(longest.css, ofStrings)
        .refine((text) => text.length <= longest.css && isCssValue(grammar.property, text));
    case "media":
      return z
        .string()
        .max(longest.media, ofStrings)
        .refine(
          (query) =>
            query.length <= longest.media && matchesMedia(query, { width: 1, height: 1 }) !== undefined,
        );
    case "link":
      return z.string().refine(isSafeLink);
    case "either":
      return z.union(grammar.of.map((one) => schemaOf(one)));
    case "pair":
      return z.tuple([schemaOf(grammar.of), schemaOf(grammar.of)]);
    case "list":
      return z
        .array(grammar.again ? z.lazy(() => schemaOf(grammar.of)) : schemaOf(grammar.of))
        .min(grammar.least)
        .max(grammar.most);
    case "map":
      return z.record(z.string().regex(grammar.key), schemaOf(grammar.of));
    case "object": {
      const fields = Object.entries(grammar.settings).map(([key, setting]) => [key, fieldOf(key, setting)]);
      const schema = z.strictObject(Object.fromEntries(fields));
      return grammar.some ? schema.refine((value) => Object.keys(value).length > 0) : schema;
    }
  }
}

/** What editors show at a key: what it does, what is allowed, what holds without it. */
function fieldOf(key: string, { grammar, meaning, otherwise, required }: Setting): z.ZodType {
  const without = otherwise === undefined ? "" : ` Without it: ${otherwise}.`;
  const schema = schemaOf(grammar, key).describe(`${meaning} Allowed: ${grammar.allowed}.${without}`);
  return required ? schema : schema.optional();
}

/** Whether a value is written as a grammar says. */
export const holds = (grammar: Grammar, value: unknown): boolean =>
  schemaOf(grammar).safeParse(value).success;

/** The page that a page file (`lumbit/1`) comes to, when its parts and copies are written out. */
export const pageSchema = schemaOf(pageGrammar);

/** The JSON Schema (draft 2020-12) of the page file, and of files that pages share, for editors. */
export function pageJsonSchema(): object {
  const { required = [], ...schema } = z.toJSONSchema(schemaOf(writtenGrammar), { io: "input" });
  const ofPages = { title: false, scenes: false, shared: false };
  return {
    title: "Lumbit page file",
    ...schema,
    anyOf: [
      { required },
      // What it shares may have all that it needs but these.
      { required: ["format", "title", "scenes", "shared"] },
      { title: "Shared file", required: ["format"], properties: ofPages },
    ],
  };
}
