import type { Patch } from "immer";
import type { Page } from "lumbit/core";
import { become } from "../edit/apply.ts";
import { edited } from "../edit/edit.ts";

type Listener = (patches: readonly Patch[]) => void;

/** Tells stages of changes, and has them show another page for a moment: whatever is told next takes that back first. */
export function createTelling() {
  const listeners = new Set<Listener>();
  let changes = 0;
  const send = (patches: readonly Patch[]) => {
    changes++;
    listeners.forEach((listener) => void listener(patches));
  };
  /** The page, while another one is shown. */
  let behind: Page | undefined;
  const tell = (patches: readonly Patch[]): void => {
    const all: Patch[] = [
      ...(behind ? [{ op: "replace" as const, path: [], value: behind }] : []),
      ...patches,
    ];
    behind = undefined;
    if (all.length > 0) send(all);
  };
  return {
    tell,
    /** How many changes have been told. */
    changes: () => changes,
    glimpse(page: Page, other: Page | undefined): void {
      tell([]);
      if (!other) return;
      behind = page;
      send(edited(page, become(other)).patches);
    },
    listen(listener: Listener): () => void {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}
