import { enablePatches, type Patch, produceWithPatches } from "immer";
import type { Page } from "lumbit/core";

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

/** Several edits as one. */
export const all =
  (...edits: readonly Edit[]): Edit =>
  (page) => {
    for (const edit of edits) edit(page);
  };
