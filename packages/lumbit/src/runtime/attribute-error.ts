/** A wrong value in a `data-lumbit-*` attribute: which, on what element, what is allowed. */
export class AttributeError extends Error {
  constructor(element: Element, name: string, value: string, allowed: string) {
    super(`${describe(element)}: ${name}="${value}" is not ${allowed}`);
    this.name = "AttributeError";
  }
}

const describe = ({ tagName, id }: Element) => `<${tagName.toLowerCase()}${id ? ` id="${id}"` : ""}>`;
