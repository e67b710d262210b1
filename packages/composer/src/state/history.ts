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

/** What is kept of a page: its history, the text that it belongs to, and what was written of that when it was kept. */
interface KeptHistory {
  text: string;
  written: string;
  history: History;
}

/** Keeps the history of a page in the browser's storage, with the text that it belongs to; where that is full, without. */
export function keepHistory(file: string, kept: KeptHistory): void {
  try {
    localStorage.setItem(place(file), JSON.stringify(kept));
  } catch {
    localStorage.removeItem(place(file));
  }
}

/**
 * What was kept of a page: its text and history, where what is there is that text, or where something was done since that
 * could not be written; what is there otherwise. `written` is what both come from.
 */
export function keptHistory(file: string, there: string): KeptHistory {
  const none = { text: there, written: there, history: noHistory };
  try {
    const kept = JSON.parse(localStorage.getItem(place(file)) ?? "null") as KeptHistory | null;
    if (kept?.text === there) return { ...kept, written: there };
    return kept && kept.text !== kept.written ? kept : none;
  } catch {
    return none;
  }
}
