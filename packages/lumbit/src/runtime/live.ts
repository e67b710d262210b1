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
  [...element.children].map(
    (child) => (child.localName === "picture" ? child.querySelector("img") : null) ?? (child as HTMLElement),
  );
