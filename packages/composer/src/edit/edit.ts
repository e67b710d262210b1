import { enablePatches, type Patch, produceWithPatches } from "immer";
import type { Change } from "lumbit/checks";
import type { Page } from "lumbit/core";
import { pointer } from "lumbit/document";

enablePatches();

/** A change of a page, as a function that writes into a draft of it. */
export type Edit = (draft: Page) => void;

/** A page after an edit, and what leads there and back. What does not change is the same object as before. */
export interface Edited {
  page: Page;
  patches: Patch[];
  inverse: Patch[];
}

export function edited(page: Page, edit: Edit): Edited {
  const [next, patches, inverse] = produceWithPatches(page, (draft) => void edit(draft as Page));
  return { page: next, patches, inverse };
}

/** The same change for the text of a page file, as a JSON Patch (RFC 6902). */
export const changesOf = (patches: readonly Patch[]): Change[] =>
  patches.map(({ op, path, value }) =>
    op === "remove" ? { op, path: pointer(path) } : { op, path: pointer(path), value },
  );
