/** What the library and its tools write by themselves, and what has no value of its own. */
const written = [
  ...["scene", "rules", "is", "key", "driver", "share", "shown", "near", "jump"],
  ...["layer", "pane", "block", "backdrop"],
];

/** What markup says of an element, by the names of its attributes without `data-lumbit-`. */
export const ownAttributes = (element: Element): string[] =>
  element
    .getAttributeNames()
    .filter((name) => name.startsWith("data-lumbit-"))
    .map((name) => name.slice("data-lumbit-".length))
    .filter((name) => !written.includes(name));
