/** Something in markup that is wrong: which attribute, on what element, what is allowed, in the words of the page file. */
export class AttributeError extends Error {
  override name = "AttributeError";
}
