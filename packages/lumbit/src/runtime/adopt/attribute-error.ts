/** Something in markup that is wrong: which attribute, on what element, what is allowed, in the words of the page file. */
export class AttributeError extends Error {
  constructor(element: Element, name: string, message: string) {
    super(`${described(element)}: ${name}: ${message}`);
    this.name = "AttributeError";
  }
}

export const shortened = (text: string) => (text.length > 60 ? `${text.slice(0, 57)}…` : text);

/** An element as a person finds it: by its id, or else by its classes. */
function described(element: Element): string {
  const { tagName, id } = element;
  const classes = element.getAttribute("class");
  const told = id ? ` id="${id}"` : classes ? ` class="${shortened(classes)}"` : "";
  return `<${tagName.toLowerCase()}${told}>`;
}
