import type { AttributeError } from "./attribute-error.ts";

/** What to do about something in markup that is wrong or cannot work. */
export type Complain = (error: AttributeError) => void;

/**
 * Complaints of one mounted element: each is printed once, and what it is about is left out; the rest goes on. Where it is
 * strict, the first one is thrown.
 */
export function complaints(strict: boolean): Complain {
  const said = new Set<string>();
  return (error) => {
    if (strict) throw error;
    if (said.has(error.message)) return;
    said.add(error.message);
    console.warn(`lumbit: ${error.message}`);
  };
}
