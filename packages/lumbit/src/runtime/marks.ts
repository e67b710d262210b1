/** What elements are to the library, in an attribute that nobody else writes. */
const attribute = "data-lumbit-is";

const marksOf = (element: Element): string[] =>
  element.getAttribute(attribute)?.split(" ").filter(Boolean) ?? [];

export const isMarked = (element: Element, mark: string): boolean => marksOf(element).includes(mark);

/** Marks an element, and gives what takes these marks back. */
export function mark(element: Element, ...marks: readonly string[]): () => void {
  const before = marksOf(element);
  const added = marks.filter((one) => !before.includes(one));
  if (added.length > 0) element.setAttribute(attribute, [...before, ...added].join(" "));
  return () => unmark(element, ...added);
}

export function unmark(element: Element, ...marks: readonly string[]): void {
  const before = marksOf(element);
  const left = before.filter((one) => !marks.includes(one));
  if (left.length === before.length) return;
  if (left.length > 0) element.setAttribute(attribute, left.join(" "));
  else element.removeAttribute(attribute);
}
