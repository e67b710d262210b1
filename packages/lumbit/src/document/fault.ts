import { short } from "../faults/in-words.ts";

/** One thing that is wrong with a page file, in words a designer understands. */
export interface Fault {
  /** The file as the reader was told its name. */
  file: string;
  /** 1-based; of the faulty value, or of what it is missing from. */
  line: number;
  /** 1-based, in characters. */
  column: number;
  /** JSON Pointer (RFC 6901) into the document. */
  path: string;
  /** What is wrong, what is allowed and what to do, in one line. */
  message: string;
}

/** A fault as one line for a terminal: `page.json:12:9 at /scenes/0/name: …`. */
export const formatFault = ({ file, line, column, path, message }: Fault): string =>
  printable(`${file}:${line}:${column}${path ? ` at ${short(path, 200)}` : ""}: ${message}`);

/** A text without what a terminal would take for a command: control characters as escapes. */
export const printable = (text: string): string =>
  text.replace(
    // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for.
    /[\0-\x1f\x7f-\x9f\u2028\u2029\u202a-\u202e\u2066-\u2069]/g,
    (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, "0")}`,
  );

/** The order of faults in their files, for sorting. */
export const inOrder = (a: Fault, b: Fault): number =>
  a.file.localeCompare(b.file) || a.line - b.line || a.column - b.column;
