import { type Declarations, motionConditions, ruleCss } from "../markup/index.ts";
import { adoptSheet } from "./sheet.ts";

/** How a style finds its element: by a number in an attribute, and over whatever the page's own sheets say of it. */
const attribute = "data-lumbit-key";
const over = ":not(#lumbit#lumbit)";
let last = 0;

/**
 * Styles of single elements of somebody else's, in a sheet of their own: frameworks write `style` and `class` anew as they
 * like, and a Content-Security-Policy may forbid style attributes. Written all at once, so that reading what an element
 * came to and writing its style do not take turns.
 */
export class ElementStyles {
  readonly #home: Element;
  readonly #elements = new Map<HTMLElement, Map<string, { declarations: Declarations; moving: boolean }>>();
  #text = "";
  #release = () => {};

  /** Of elements in the document or shadow root of this one. */
  constructor(home: Element) {
    this.#home = home;
  }

  /** Says one thing of an element's style, in place of what was said of it under this name; `moving`: only where the page moves. */
  set(element: HTMLElement, name: string, declarations: Declarations, moving = false): void {
    const parts = this.#elements.get(element) ?? new Map();
    this.#elements.set(element, parts);
    parts.set(name, { declarations, moving });
    if (!element.hasAttribute(attribute)) element.setAttribute(attribute, String(++last));
  }

  /** Says nothing of an element any more. */
  forget(element: HTMLElement): void {
    this.#elements.delete(element);
    element.removeAttribute(attribute);
  }

  /** Brings the sheet up to date. */
  write(): void {
    const rules = [...this.#elements].flatMap(([element, parts]) =>
      [...parts.values()].flatMap(({ declarations, moving }) => {
        const selector = `[${attribute}="${element.getAttribute(attribute)}"]${over}`;
        const rule = ruleCss({ selector, declarations });
        if (Object.values(declarations).every((value) => value === undefined)) return [];
        return moving ? `@media ${motionConditions.media} { ${rule} }` : rule;
      }),
    );
    const text = rules.join("\n");
    if (text === this.#text) return;
    const before = this.#release;
    this.#text = text;
    this.#release = text ? adoptSheet(this.#home, text) : () => {};
    before();
  }

  /** Takes everything back. */
  release(): void {
    this.#release();
    for (const element of [...this.#elements.keys()]) this.forget(element);
  }
}
