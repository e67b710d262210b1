import type { Element as Plain } from "../markup/index.ts";

/** A live element from a plain one. */
export function liveElement({ tag, attributes, children }: Plain, document: Document): HTMLElement {
  const element = document.createElement(tag);
  for (const [name, value] of Object.entries(attributes))
    if (value !== undefined) element.setAttribute(name, String(value));
  element.append(
    ...children.map((child) => (typeof child === "string" ? child : liveElement(child, document))),
  );
  return element;
}

/** The elements in an element; of a picture with several sources the one that is shown. */
export const childrenOf = (element: Element): HTMLElement[] =>
  [...element.children].map((child) =>
    child instanceof HTMLPictureElement ? (child.querySelector("img") ?? child) : (child as HTMLElement),
  );

/** Remembers an element's attributes and gives what puts them back exactly. */
export function rememberAttributes(element: Element): () => void {
  const before = [...element.attributes].map(({ name, value }) => [name, value] as const);
  return () => {
    const kept = new Set(before.map(([name]) => name));
    for (const { name } of [...element.attributes]) if (!kept.has(name)) element.removeAttribute(name);
    for (const [name, value] of before)
      if (element.getAttribute(name) !== value) element.setAttribute(name, value);
  };
}
