import type { Element as Plain } from "../markup/index.ts";
import { liveElement } from "./live.ts";
import { isMarked, mark, unmark } from "./marks.ts";

/** What was built in an element of somebody else's, and how that became a scene. */
export class BuiltElements {
  readonly #element: HTMLElement;
  readonly #children: Node[];
  readonly #attributes: [name: string, value: string][];

  constructor(element: HTMLElement, plain: Plain) {
    this.#element = element;
    this.#children = plain.children.map((child) =>
      typeof child === "string" ? new Text(child) : liveElement(child, element.ownerDocument),
    );
    element.prepend(...this.#children);
    const { "data-lumbit-is": marks, ...attributes } = plain.attributes;
    mark(element, ...String(marks).split(" "));
    this.#attributes = Object.entries(attributes).flatMap(([name, value]) =>
      value === undefined || (name === "id" && element.id !== "") ? [] : [[name, String(value)]],
    );
    for (const [name, value] of this.#attributes) element.setAttribute(name, value);
  }

  /** Takes away what was built, and of attributes what nobody else has written since. */
  takeDown(): void {
    for (const child of this.#children) (child as ChildNode).remove();
    for (const [name, value] of this.#attributes)
      if (name === "data-lumbit-driver" || this.#element.getAttribute(name) === value)
        this.#element.removeAttribute(name);
    for (const own of ["scene", "flows", "track", "crossed"])
      if (isMarked(this.#element, own)) unmark(this.#element, own);
  }
}
