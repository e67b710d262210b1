import { parse } from "jsonc-parser";
import type { z } from "zod";
import type { Page } from "../core/index.ts";
import { foundInWords, meant, short } from "../faults/in-words.ts";
import { allowedFor, grammarsAt, settingsAt } from "../settings/index.ts";
import { findBreaches } from "./contradictions.ts";
import { expand } from "./expand.ts";
import { type Fault, formatFault, inOrder } from "./fault.ts";
import { kindOf, kindsWith } from "./kinds.ts";
import { type Reference, referencesIn } from "./references.ts";
import { pageSchema } from "./schema.ts";
import { type SharedFile, withShared } from "./shared.ts";
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
 * @param shared the file that it shares with other pages, where it names one (`sharedIn`)
 */
export function readPage(text: string, file = "page.json", shared?: SharedFile): Reading {
  const source = new Source(file, text);
  const faults = [...source.faults];
  let references: Reference[] = [];
  if (faults.length === 0) {
    const whole = withShared(parse(text.replace(/^\uFEFF/, "")), source, shared);
    // Without what it shares nobody knows what else is wrong.
    if (whole.faults.length > 0)
      return {
        faults: whole.faults as [Fault, ...Fault[]],
        source,
        references: referencesIn(whole.document),
      };
    source.elsewhere = whole.elsewhere;
    const { document, isCutOff, origin, breaches } = expand(whole.document);
    for (const { path, message } of breaches) faults.push(source.fault(path, message, "key"));
    source.origin = origin;
    if (isCutOff) return { faults: faults as [Fault, ...Fault[]], source, references };
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
  return { faults: different(faults).sort(inOrder) as [Fault, ...Fault[]], source, references };
}

/** What is wrong in two ways with one message is told once. */
function different(faults: readonly Fault[]): Fault[] {
  const told = new Map(faults.map((fault) => [formatFault(fault), fault]));
  return [...told.values()];
}

function faultsOf(issue: z.core.$ZodIssue, document: unknown, source: Source): Fault[] {
  const path = issue.path as Path;
  if (issue.code === "unrecognized_keys") {
    const known = keysAt(path, document);
    return issue.keys.map((key) => {
      const message = `unknown key "${short(key, 40)}"${meant(key, known)} here: ${known.join(", ")}`;
      return source.fault([...path, key], message, "key");
    });
  }
  const inner = innermost(issue);
  if (inner)
    return inner.flatMap((nested) =>
      faultsOf({ ...nested, path: [...issue.path, ...nested.path] }, document, source),
    );
  const found = valueAt(document, path);
  const allowed = allowedAt(path, found);
  if (found === undefined) return [source.fault(path, `"${path.at(-1)}" is missing; it is ${allowed}`)];
  return [source.fault(path, foundInWords(found, allowed))];
}

/** Of a value that may be a word or one of several objects: when it is an object, what keeps it from the nearest one. */
function innermost(issue: z.core.$ZodIssue): z.core.$ZodIssue[] | undefined {
  if (issue.code !== "invalid_union") return undefined;
  const objects = issue.errors.filter((branch) =>
    branch.some(({ path, code }) => path.length > 0 || code === "unrecognized_keys"),
  ) as z.core.$ZodIssue[][];
  return objects.sort((a, b) => a.length - b.length)[0];
}

/** The keys that are known at a path, `$schema` aside; of a layer and its rules those that one of its kind can have. */
function keysAt(path: Path, document: unknown): string[] {
  const keys = Object.keys(settingsAt(path)).filter((key) => key !== "$schema");
  const rule = path.at(-2) === "rules" && path.at(-4) === "layers";
  if (!rule && path.at(-2) !== "layers") return keys;
  const kind = kindOf(Object(valueAt(document, rule ? path.slice(0, -2) : path)));
  return kind ? keys.filter((key) => kindsWith(key)?.includes(kind) ?? true) : keys;
}

/** What is allowed at a path: at its own place in the file, or at the nearest one around it. */
function allowedAt(path: Path, found: unknown): string {
  for (let length = path.length; length > 0; length--) {
    const [grammar] = grammarsAt(path.slice(0, length), false);
    if (grammar) return allowedFor(grammar, found);
  }
  return "a JSON object of settings";
}

function valueAt(document: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (value, key) => (value as Record<string | number, unknown> | undefined)?.[key],
    document,
  );
}
