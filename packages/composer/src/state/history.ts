import type { Patch } from "immer";
import type { Replaced } from "../edit/text.ts";

/** One intention that can be taken back: what it did to the page, and to its text. */
export interface Step {
  /** As it is called to people: "far-kelp: depth". */
  name: string;
  patches: readonly Patch[];
  inverse: readonly Patch[];
  text: Replaced;
}

/** What was done, and what was taken back and can be done again, the latest last. */
export interface History {
  past: readonly Step[];
  future: readonly Step[];
}

export const noHistory: History = { past: [], future: [] };

const place = (file: string) => `lumbit-history ${file}`;

/** Keeps the history of a page in the browser's storage, with the text that it belongs to; where that is full, without. */
export function keepHistory(file: string, text: string, history: History): void {
  try {
    localStorage.setItem(place(file), JSON.stringify({ text, history }));
  } catch {
    localStorage.removeItem(place(file));
  }
}

/** The history that was kept of a page, while its text is still the same. */
export function keptHistory(file: string, text: string): History {
  try {
    const kept = JSON.parse(localStorage.getItem(place(file)) ?? "null") as {
      text: string;
      history: History;
    } | null;
    return kept?.text === text ? kept.history : noHistory;
  } catch {
    return noHistory;
  }
}
