import type { Element as Plain } from "../markup/index.ts";

/** A live element from a plain one. */
export function liveElement({ tag, attributes, children, html }: Plain, document: Document): HTMLElement {
  const element = document.createElement(tag);
  // Scripts in it do not run.
  if (html !== undefined) {
    element.innerHTML = html;
    // A strict policy refuses styles in text, and not those that are set.
    for (const own of element.querySelectorAll<HTMLElement | SVGElement>("[style]"))
      own.style.cssText = own.getAttribute("style") ?? "";
  }
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
