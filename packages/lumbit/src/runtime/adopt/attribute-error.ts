import type { ValueFault } from "../../settings/index.ts";

/** A wrong value in a `data-lumbit-*` attribute: which, on what element, what is allowed, in the words of the page file. */
export class AttributeError extends Error {
  constructor(element: Element, name: string, message: string) {
    super(`${describe(element)}: ${name}: ${message}`);
    this.name = "AttributeError";
  }

  /** What is wrong with a value. */
  static of(element: Element, name: string, { path, found, allowed }: ValueFault): AttributeError {
    const at = path.length > 0 ? `at /${path.join("/")} ` : "";
    const said = found === undefined ? "something is missing" : `found ${shortened(JSON.stringify(found))}`;
    return new AttributeError(element, name, `${at}${said}; allowed: ${allowed}`);
  }
}

const shortened = (text: string) => (text.length > 60 ? `${text.slice(0, 57)}…` : text);

/** An element as a person finds it: by its id, or else by its classes. */
const describe = (element: Element) => {
  const { tagName, id } = element;
  const classes = element.getAttribute("class");
  const told = id ? ` id="${id}"` : classes ? ` class="${shortened(classes)}"` : "";
  return `<${tagName.toLowerCase()}${told}>`;
};
