/** A value as a word of a message: texts and numbers as they are; objects of JSON need not be able to become text. */
export const plain = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" || typeof value === "boolean" ? String(value) : "";
