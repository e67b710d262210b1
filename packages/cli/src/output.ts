import { InvalidArgumentError } from "commander";

/** Reads where something is to be written. */
export function parseOutput(text: string): string {
  if (text.trim() === "") throw new InvalidArgumentError("It is empty; name a file or folder.");
  return text;
}
