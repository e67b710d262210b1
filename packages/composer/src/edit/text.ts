/** What a change replaced in a text: as much of it as differs. */
export interface Replaced {
  at: number;
  before: string;
  after: string;
}

/** What differs between two texts, from the first letter that does to the last. */
export function replaced(before: string, after: string): Replaced {
  let at = 0;
  const shorter = Math.min(before.length, after.length);
  while (at < shorter && before[at] === after[at]) at++;
  let end = 0;
  while (end < shorter - at && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  return { at, before: before.slice(at, before.length - end), after: after.slice(at, after.length - end) };
}

/** The text with the change made, or taken back. */
export const redone = (text: string, { at, before, after }: Replaced): string =>
  text.slice(0, at) + after + text.slice(at + before.length);

export const undone = (text: string, { at, before, after }: Replaced): string =>
  redone(text, { at, before: after, after: before });
