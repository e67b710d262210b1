import type { Page } from "lumbit/core";
import { type Operation, parsePointer } from "lumbit/document";
import { changesBetween } from "./changes.ts";
import type { Edit } from "./edit.ts";

/** Makes a page another one, and touches of it only what differs. */
export const become =
  (to: Page): Edit =>
  (page) => {
    // Of a draft every part is another object: what is compared are its values.
    const before = JSON.parse(JSON.stringify(page)) as Page;
    for (const change of changesBetween(before, to)) apply(page, change);
  };

function apply(page: Page, change: Operation): void {
  if (change.op === "move") {
    const [list, from] = parentOf(page, change.from);
    const [, to] = parentOf(page, change.path);
    if (Array.isArray(list)) list.splice(Number(to), 0, ...list.splice(Number(from), 1));
    return;
  }
  const [parent, key] = parentOf(page, change.path);
  if (Array.isArray(parent)) {
    const index = Number(key);
    if (change.op === "remove") parent.splice(index, 1);
    else if (change.op === "add") parent.splice(index, 0, change.value);
    else parent[index] = change.value;
  } else if (change.op === "remove") delete parent[key];
  else parent[key] = change.value;
}

function parentOf(page: Page, path: string): [parent: Record<string, unknown> | unknown[], key: string] {
  const keys = [...parsePointer(path)];
  const key = String(keys.pop());
  const parent = keys.reduce<unknown>((value, key) => Object(value)[key], page);
  return [parent as Record<string, unknown>, key];
}
