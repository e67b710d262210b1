import { parse } from "jsonc-parser";
import { foundInWords } from "../faults/in-words.ts";
import { sharedSetting } from "../settings/index.ts";
import { isObject, type Json } from "./contradictions.ts";
import type { Fault } from "./fault.ts";
import { holds } from "./schema.ts";
import { type Path, Source } from "./source.ts";

/** A file that pages share: its name in their folder, and its text. */
export interface SharedFile {
  file: string;
  text: string;
}

/** What only a page has. */
const ofPages = ["title", "scenes", "shared"];

/** The shared file that the text of a page file names, however wrong the rest of it is; nothing where it names none. */
export function sharedIn(text: string): string | undefined {
  if (!text.includes('"shared"')) return undefined;
  const document: unknown = parse(text.replace(/^\uFEFF/, ""));
  return isObject(document) && holds(sharedSetting.grammar, document.shared)
    ? (document.shared as string)
    : undefined;
}

/** A page with what it shares with others, as if it were written in its own file. */
export interface WithShared {
  document: unknown;
  /** The shared file, where what stands at a path of the document is written there. */
  elsewhere(path: Path): Source | undefined;
  /** What is wrong with the shared file, or that it is not there. */
  faults: Fault[];
}

/**
 * Puts what a page file shares with others into its parsed document. What the page says itself stands instead: of settings
 * with settings in them (`parts`, `page`, `head`, `pictures`) each of these, of all others the whole.
 */
export function withShared(document: unknown, own: Source, shared: SharedFile | undefined): WithShared {
  const alone = (document: unknown, ...faults: Fault[]) => ({
    ...{ document, faults },
    elsewhere: () => undefined,
  });
  if (!isObject(document) || !("shared" in document)) return alone(document);
  const { shared: name, ...ours } = document;
  const { grammar } = sharedSetting;
  if (!holds(grammar, name)) return alone(ours, own.fault(["shared"], foundInWords(name, grammar.allowed)));
  if (!shared) {
    const message = `there is no file "${name}" beside the page file; check its spelling, capitals included`;
    return alone(ours, own.fault(["shared"], message));
  }
  const source = new Source(shared.file, shared.text);
  if (source.faults.length > 0) return alone(ours, ...source.faults);
  const given: unknown = parse(shared.text.replace(/^\uFEFF/, ""));
  if (!isObject(given) || given.format !== "lumbit/1")
    return alone(ours, source.fault([], 'a shared file says what it is: give it "format": "lumbit/1"'));
  const { $schema: _, format: _format, ...theirs } = given;
  const faults = ofPages
    .filter((key) => key in theirs)
    .map((key) =>
      source.fault(
        [key],
        `"${key}" is each page's own; a shared file holds what pages have in common, such as parts, page and fonts`,
        "key",
      ),
    );
  if (faults.length > 0) return alone(ours, ...faults);
  return {
    document: merged(theirs, ours),
    faults,
    elsewhere([key = "", inner]) {
      const [there, here] = [theirs[key], ours[key]];
      const isTheirs =
        there !== undefined &&
        (here === undefined ||
          (isObject(there) && isObject(here) && inner !== undefined && inner in there && !(inner in here)));
      return isTheirs ? source : undefined;
    },
  };
}

/** What pages share, and what one says itself instead. */
function merged(theirs: Json, own: Json): Json {
  const all: Json = { ...theirs, ...own };
  for (const [key, value] of Object.entries(theirs)) {
    const ours = own[key];
    if (isObject(value) && isObject(ours)) all[key] = { ...value, ...ours };
  }
  return all;
}
