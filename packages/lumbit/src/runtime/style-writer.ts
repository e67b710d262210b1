import type { Declarations } from "../markup/index.ts";

/** Where what was measured of elements is written. */
export interface StyleWriter {
  /** Says one thing of an element's style, in place of what was said of it under this name. */
  set(element: HTMLElement, name: string, declarations: Declarations): void;
  /** Has it hold. */
  write(): void;
}

const written = new WeakMap<HTMLElement, Map<string, Declarations>>();

/** Writes on the elements themselves: those that are nobody else's. */
export const inlineStyles: StyleWriter = {
  set(element, name, declarations) {
    const parts = written.get(element) ?? new Map<string, Declarations>();
    written.set(element, parts);
    for (const property of Object.keys(parts.get(name) ?? {}))
      if (declarations[property] === undefined) element.style.removeProperty(property);
    for (const [property, value] of Object.entries(declarations))
      if (value !== undefined) element.style.setProperty(property, String(value));
    parts.set(name, declarations);
  },
  write() {},
};
