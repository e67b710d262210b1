import { findNodeAtLocation, type Node, type ParseError, parseTree, printParseErrorCode } from "jsonc-parser";
import type { Fault } from "./fault.ts";

export type Path = readonly (string | number)[];

/** The text of a page file and where in it every value stands. */
export class Source {
  readonly faults: Fault[] = [];
  readonly #root: Node | undefined;
  readonly #lineStarts: number[] = [0];

  constructor(
    readonly file: string,
    text: string,
  ) {
    for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) this.#lineStarts.push(at + 1);
    if (text.trim() === "") {
      this.faults.push({
        file,
        line: 1,
        column: 1,
        path: "",
        message: "the file is empty; a page file is a JSON object",
      });
      return;
    }
    const errors: ParseError[] = [];
    this.#root = parseTree(text.replace(/^\uFEFF/, " "), errors, {
      disallowComments: true,
      allowEmptyContent: false,
    });
    const firstAt = (offset: number) => errors.find((error) => error.offset === offset);
    for (const { offset, error } of errors.filter((error) => firstAt(error.offset) === error))
      this.faults.push({
        file,
        ...this.#position(offset),
        path: "",
        message: syntaxMessage(printParseErrorCode(error)),
      });
    if (this.#root) this.#findRepeatedKeys(this.#root, []);
  }

  /** A fault at the value of a path, at its key, or at the nearest value around it that the file has. */
  fault(path: Path, message: string, at: "value" | "key" = "value"): Fault {
    let node: Node | undefined;
    for (let length = path.length; length >= 0 && !node; length--)
      node = this.#root && findNodeAtLocation(this.#root, path.slice(0, length));
    if (at === "key" && node?.parent?.type === "property") node = node.parent;
    return { file: this.file, ...this.#position(node?.offset ?? 0), path: pointer(path), message };
  }

  #findRepeatedKeys(node: Node, path: Path): void {
    const seen = new Set<string>();
    for (const [index, child] of (node.children ?? []).entries()) {
      if (node.type === "array") this.#findRepeatedKeys(child, [...path, index]);
      if (node.type !== "object") continue;
      const [key, value] = child.children ?? [];
      const here = [...path, String(key?.value)];
      if (seen.has(String(key?.value)))
        this.faults.push({
          file: this.file,
          ...this.#position(child.offset),
          path: pointer(here),
          message: `the key "${key?.value}" is here twice; keep one of them`,
        });
      seen.add(String(key?.value));
      if (value) this.#findRepeatedKeys(value, here);
    }
  }

  #position(offset: number): { line: number; column: number } {
    let [low, high] = [0, this.#lineStarts.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if ((this.#lineStarts[middle] as number) <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - (this.#lineStarts[low] as number) + 1 };
  }
}

/** A path as a JSON Pointer (RFC 6901). */
export const pointer = (path: Path): string =>
  path.map((key) => `/${String(key).replaceAll("~", "~0").replaceAll("/", "~1")}`).join("");

/** The path of a JSON Pointer (RFC 6901). */
export const parsePointer = (text: string): Path =>
  text
    .split("/")
    .slice(1)
    .map((key) => (/^\d+$/.test(key) ? Number(key) : key.replaceAll("~1", "/").replaceAll("~0", "~")));

const syntaxMessages: Record<string, string> = {
  CommaExpected: "a comma is missing before this",
  ColonExpected: "a colon is missing before this",
  PropertyNameExpected: "a key in double quotes belongs here; a comma before a closing brace is one too many",
  ValueExpected: "a value belongs here; a comma before a closing bracket is one too many",
  CloseBraceExpected: 'a closing "}" is missing',
  CloseBracketExpected: 'a closing "]" is missing',
  EndOfFileExpected: "the document has ended before this; nothing may follow it",
  UnexpectedEndOfString: "the text that begins here has no closing quote",
  InvalidCommentToken: "JSON has no comments; remove this one",
  InvalidSymbol: "this is no JSON value; texts stand in double quotes",
};
const syntaxMessage = (code: string) =>
  `this is not valid JSON: ${syntaxMessages[code] ?? code.replace(/([a-z])([A-Z])/g, "$1 $2").toLowerCase()}`;
