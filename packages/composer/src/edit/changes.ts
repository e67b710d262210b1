import { parse } from "jsonc-parser";
import type { Page } from "lumbit/core";
import { type Operation, patchText, pointer, type SharedFile } from "lumbit/document";
import { folded } from "./fold.ts";
import { isObject } from "./json.ts";

type Path = readonly (string | number)[];

/**
 * What leads from one value to another, as operations of a JSON Patch (RFC 6902) that follow each other. What is called
 * the same in a list is the same, wherever it stands: it is moved, not written anew.
 */
export function changesBetween(before: unknown, after: unknown, path: Path = []): Operation[] {
  if (before === after) return [];
  if (Array.isArray(before) && Array.isArray(after)) return listChanges(before, after, path);
  if (!isObject(before) || !isObject(after))
    return JSON.stringify(before) === JSON.stringify(after)
      ? []
      : [{ op: "replace", path: pointer(path), value: after }];
  const gone = Object.keys(before).filter((key) => after[key] === undefined);
  return [
    ...gone.map((key): Operation => ({ op: "remove", path: pointer([...path, key]) })),
    ...Object.entries(after).flatMap(([key, value]): Operation[] =>
      value === undefined
        ? []
        : before[key] === undefined
          ? [{ op: "add", path: pointer([...path, key]), value }]
          : changesBetween(before[key], value, [...path, key]),
    ),
  ];
}

/**
 * The text of a page file with another page in it; what stays the same stays as it was written, and what it has from a file
 * that it shares with others stays there.
 */
export function rewritten(text: string, page: Page, shared?: SharedFile): string {
  const [before, common]: unknown[] = [text, shared?.text].map(
    (json) => json !== undefined && parse(json.replace(/^\uFEFF/, "")),
  );
  return changesBetween(before, folded(before, page, common || undefined)).reduce(
    (current, change) => patchText(current, [change]),
    text,
  );
}

function listChanges(before: readonly unknown[], after: readonly unknown[], path: Path): Operation[] {
  const at = (index: number) => pointer([...path, index]);
  // Of texts and numbers nobody knows which is which.
  if (![...before, ...after].every(isObject)) {
    if (before.length === after.length)
      return after.flatMap((value, index) => changesBetween(before[index], value, [...path, index]));
    return [{ op: "replace", path: pointer(path), value: after }];
  }
  const changes: Operation[] = [];
  let current = [...before];
  const isKept = (value: unknown, index: number) =>
    after.some((other) => isSame(value, other)) ||
    // One that has got another name is where it was.
    (before.length === after.length && !before.some((other) => isSame(other, after[index])));
  for (let index = current.length - 1; index >= 0; index--)
    if (!isKept(current[index], index)) {
      changes.push({ op: "remove", path: at(index) });
      current = current.toSpliced(index, 1);
    }
  for (const [index, value] of after.entries()) {
    const found = current.findIndex((other, place) => place >= index && isSame(other, value));
    const renamed =
      found < 0 && current[index] !== undefined && !after.some((other) => isSame(current[index], other));
    if (found < 0 && !renamed) {
      changes.push({ op: "add", path: at(index), value });
      current = current.toSpliced(index, 0, value);
    } else if (found > index) {
      changes.push({ op: "move", from: at(found), path: at(index) });
      current = current.toSpliced(found, 1).toSpliced(index, 0, current[found]);
    }
  }
  return [
    ...changes,
    ...after.flatMap((value, index) => changesBetween(current[index], value, [...path, index])),
  ];
}

const isSame = (a: unknown, b: unknown): boolean =>
  a === b || (isObject(a) && isObject(b) && a.name !== undefined && a.name === b.name);
