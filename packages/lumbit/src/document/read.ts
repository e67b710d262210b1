import { parse } from "jsonc-parser";
import leven from "leven";
import type { z } from "zod";
import type { Page } from "../core/index.ts";
import { grammarsAt, settingsAt } from "../settings/index.ts";
import { findBreaches } from "./contradictions.ts";
import { type Fault, inOrder } from "./fault.ts";
import { type Reference, referencesIn } from "./references.ts";
import { pageSchema } from "./schema.ts";
import { type Path, Source } from "./source.ts";

/** A page file that was read: the page, or everything that is wrong with it; and the files that it names. */
export type Reading = { source: Source; references: Reference[] } & (
  | { page: Page; faults: [] }
  | { page?: undefined; faults: [Fault, ...Fault[]] }
);

/**
 * Reads the text of a page file. All faults come back at once, in document order, each with line and column.
 *
 * @param file the name to use in messages
 */
export function readPage(text: string, file = "page.json"): Reading {
  const source = new Source(file, text);
  const faults = [...source.faults];
  let references: Reference[] = [];
  if (faults.length === 0) {
    const document: unknown = parse(text.replace(/^\uFEFF/, ""));
    references = referencesIn(document);
    const result = pageSchema.safeParse(document);
    if (!result.success)
      for (const issue of result.error.issues) faults.push(...faultsOf(issue, document, source));
    for (const { path, message } of findBreaches(document)) faults.push(source.fault(path, message, "key"));
    if (result.success && faults.length === 0) {
      const { $schema: _, ...page } = result.data as Page & { $schema?: string };
      return { page, faults: [], source, references };
    }
  }
  return { faults: faults.sort(inOrder) as [Fault, ...Fault[]], source, references };
}

function faultsOf(issue: z.core.$ZodIssue, document: unknown, source: Source): Fault[] {
  const path = issue.path as Path;
  if (issue.code === "unrecognized_keys") {
    const known = keysAt(path);
    return issue.keys.map((key) => {
      const hint = meant(key, known);
      const message = `unknown key "${key}"${hint ? `${hint} Allowed` : "; allowed"} here: ${known.join(", ")}`;
      return source.fault([...path, key], message, "key");
    });
  }
  const inner = innermost(issue);
  if (inner)
    return inner.flatMap((nested) =>
      faultsOf({ ...nested, path: [...issue.path, ...nested.path] }, document, source),
    );
  const found = valueAt(document, path);
  const allowed = allowedAt(path);
  if (found === undefined) return [source.fault(path, `"${path.at(-1)}" is missing; it is ${allowed}`)];
  const options =
    allowed
      .match(/"[\w/-]+"/g)
      ?.map((word) => word.slice(1, -1))
      .filter((word) => !/^\d/.test(word)) ?? [];
  const hint = typeof found === "string" ? meant(found, options) : "";
  return [source.fault(path, `found ${shorten(found)}${hint ? `${hint} Allowed` : "; allowed"}: ${allowed}`)];
}

/** Of a value that may be a word or one of several objects: when it is an object, what keeps it from the nearest one. */
function innermost(issue: z.core.$ZodIssue): z.core.$ZodIssue[] | undefined {
  if (issue.code !== "invalid_union") return undefined;
  const objects = issue.errors.filter((branch) =>
    branch.some(({ path, code }) => path.length > 0 || code === "unrecognized_keys"),
  ) as z.core.$ZodIssue[][];
  return objects.sort((a, b) => a.length - b.length)[0];
}

/** The keys that are known at a path, `$schema` aside. */
const keysAt = (path: Path): string[] => Object.keys(settingsAt(path)).filter((key) => key !== "$schema");

/** What is allowed at a path: at its own place in the file, or at the nearest one around it. */
function allowedAt(path: Path): string {
  for (let length = path.length; length > 0; length--) {
    const [grammar] = grammarsAt(path.slice(0, length), false);
    if (grammar) return grammar.allowed;
  }
  return "a JSON object of settings";
}

function valueAt(document: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (value, key) => (value as Record<string | number, unknown> | undefined)?.[key],
    document,
  );
}

function meant(word: string, known: readonly string[]): string {
  const nearest = known
    .map((name) => ({ name, distance: leven(word.toLowerCase(), name.toLowerCase()) }))
    .sort(
      (a, b) => a.distance - b.distance || Number(b.name[0] === word[0]) - Number(a.name[0] === word[0]),
    )[0];
  return nearest && nearest.distance <= Math.max(2, word.length / 3)
    ? `, did you mean "${nearest.name}"?`
    : "";
}

function shorten(value: unknown): string {
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
