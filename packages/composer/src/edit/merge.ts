import type { Page } from "lumbit/core";
import { changesBetween } from "./changes.ts";
import { isObject } from "./json.ts";

/** A place that two versions have changed differently, and what each has there; undefined where it has nothing. */
export interface Piece {
  /** Where, by names: "low-water, far-kelp: depth". */
  where: string;
  mine: unknown;
  theirs: unknown;
}

export interface Merged {
  page: Page;
  pieces: readonly Piece[];
}

/**
 * Two versions of a page, both made from `base`, as one: what only one of them has changed is as that one has it. What
 * both have changed is a piece to choose: mine, or theirs where `chosen` names its place.
 */
export function merged(base: Page, mine: Page, theirs: Page, chosen: ReadonlySet<string>): Merged {
  const pieces: Piece[] = [];
  const meet = (base: unknown, mine: unknown, theirs: unknown, path: readonly string[]): unknown => {
    if (isSame(mine, theirs) || isSame(base, theirs)) return mine;
    if (isSame(base, mine)) return theirs;
    if (isObject(mine) && isObject(theirs)) {
      const before = isObject(base) ? base : {};
      const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
      return Object.fromEntries(
        [...keys].flatMap((key) => {
          const value = meet(before[key], mine[key], theirs[key], [...path, key]);
          return value === undefined ? [] : [[key, value]];
        }),
      );
    }
    if (isNamed(mine) && isNamed(theirs)) {
      const before = isNamed(base) ? base : [];
      const [names, their] = [mine, theirs].map(namesOf) as [string[], string[]];
      // The order of whoever has changed it; what the other has more follows what it follows there.
      const order = isInOrderOf(namesOf(before), names) ? their : names;
      return inOrder(order, order === names ? their : names).flatMap((name) => {
        const [b, m, t] = [before, mine, theirs].map((list) => list.find((one) => one.name === name));
        const value = meet(b, m, t, [...path, name]);
        return value === undefined ? [] : [value];
      });
    }
    const where = words(path);
    pieces.push({ where, mine, theirs });
    return chosen.has(where) ? theirs : mine;
  };
  return { page: meet(base, mine, theirs, []) as Page, pieces };
}

/** Whether what is left of a list in another one stands in the same order there. */
function isInOrderOf(before: readonly string[], after: readonly string[]): boolean {
  const left = before.filter((name) => after.includes(name));
  return after.filter((name) => left.includes(name)).every((name, index) => name === left[index]);
}

/** Names in an order, and behind what they follow those that it does not have. */
function inOrder(order: readonly string[], more: readonly string[]): string[] {
  const all = [...order];
  for (const [index, name] of more.entries())
    if (!all.includes(name))
      all.splice(index === 0 ? 0 : all.indexOf(more[index - 1] as string) + 1, 0, name);
  return all;
}

/** Names say where something is; that scenes and layers stand in lists does not. */
function words(path: readonly string[]): string {
  const names = path.filter((_, index) => ["scenes", "layers"].includes(path[index - 1] ?? ""));
  const settings = path.slice(path.lastIndexOf(names.at(-1) ?? "") + 1).filter((key) => key !== "layers");
  return [names.join(", ") || "page", settings.join(" ") || "the whole"].join(": ");
}

interface Named {
  name: string;
}

const namesOf = (list: readonly Named[]) => list.map(({ name }) => name);

const isNamed = (value: unknown): value is readonly Named[] =>
  Array.isArray(value) && value.every((one) => typeof one?.name === "string");

const isSame = (a: unknown, b: unknown) => changesBetween(a, b).length === 0;
