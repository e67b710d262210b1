import {
  applyEdits,
  type Edit,
  type FormattingOptions,
  findNodeAtLocation,
  modify,
  parseTree,
} from "jsonc-parser";
import { type Path, parsePointer, pointer, type Source } from "./source.ts";

/** One operation of a JSON Patch (RFC 6902). */
export type Operation =
  | { op: "add" | "replace"; path: string; value: unknown }
  | { op: "move"; from: string; path: string }
  | { op: "remove"; path: string };

/** Changes of a page as changes of what is written where; what several copies would have changed is changed once. */
export function atOrigin<T extends { op: string; path: string }>(source: Source, changes: readonly T[]): T[] {
  const known = new Set<string>();
  return changes.flatMap((change) => {
    const at = source.origin(parsePointer(change.path));
    // What pages share is not changed for one of them.
    if (source.elsewhere(at)) return [];
    const path = pointer(at);
    const isMore = change.op === "add" && /\/\d+$/.test(path);
    if (known.has(path) && !isMore) return [];
    known.add(path);
    return [{ ...change, path }];
  });
}

/** The text of a page file with operations applied; what they do not change stays as it was written. */
export function patchText(text: string, operations: readonly Operation[]): string {
  const indent = /\n([ \t]+)"/.exec(text)?.[1] ?? "  ";
  const formattingOptions = {
    insertSpaces: !indent.startsWith("\t"),
    tabSize: indent.length,
    eol: text.includes("\r\n") ? "\r\n" : "\n",
  };
  // From the end of the document, so that removing an entry of a list does not move those still to be changed.
  const later = (a: Operation, b: Operation) => b.path.localeCompare(a.path, "en", { numeric: true });
  return operations.toSorted(later).reduce((current, operation) => {
    const path = [...parsePointer(operation.path)];
    if (operation.op === "move")
      return moved(current, [...parsePointer(operation.from)], path, formattingOptions);
    const edits =
      operation.op === "remove"
        ? removal(current, path)
        : modify(current, path, operation.value, {
            formattingOptions,
            isArrayInsertion: operation.op === "add",
          });
    return applyEdits(current, edits);
  }, text);
}

/** Takes an entry of a list to another place of it, as it is written. */
function moved(text: string, from: Path, to: Path, formattingOptions: FormattingOptions): string {
  const root = parseTree(text);
  const value = root && findNodeAtLocation(root, [...from]);
  if (!value) return text;
  const without = applyEdits(text, removal(text, from));
  const edits = modify(without, [...to], placeholder, { formattingOptions, isArrayInsertion: true });
  const own = text.slice(value.offset, value.offset + value.length);
  return applyEdits(without, edits).replace(JSON.stringify(placeholder), () => own);
}

/** Stands for what is moved while it is in no place: not a text that anybody writes. */
const placeholder = "\u0000moved";

/** Takes a value out with the comma beside it. The package's own removal leaves pieces of the last entry of a list. */
function removal(text: string, path: Path): Edit[] {
  const root = parseTree(text);
  const value = root && findNodeAtLocation(root, [...path]);
  const entry = value?.parent?.type === "property" ? value.parent : value;
  const siblings = entry?.parent?.children ?? [];
  if (!entry) return [];
  const at = siblings.indexOf(entry);
  const [before, after] = [siblings[at - 1], siblings[at + 1]];
  const start = before ? before.offset + before.length : entry.offset;
  const end = before || !after ? entry.offset + entry.length : after.offset;
  return [{ offset: start, length: end - start, content: "" }];
}
