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
  `${file}:${line}:${column}${path ? ` at ${path}` : ""}: ${message}`;

/** The order of faults in their file, for sorting. */
export const inOrder = (a: Fault, b: Fault): number => a.line - b.line || a.column - b.column;
