import { findNodeAtLocation, type Node, parseTree } from "jsonc-parser";
import type { Fault } from "./fault.ts";
import { syntaxFaults, unprintable } from "./syntax.ts";

export type Path = readonly (string | number)[];

/** The text of a page file and where in it every value stands. */
export class Source {
  /** Where what stands at a path of the page is written: parts and copies are written once. */
  origin: (path: Path) => Path = (path) => path;
  /** The other file in which what stands at a path is written, where pages share one. */
  elsewhere: (path: Path) => Source | undefined = () => undefined;
  readonly faults: Fault[] = [];
  readonly #root: Node | undefined;
  readonly #lineStarts: number[] = [0];

  constructor(
    readonly file: string,
    text: string,
  ) {
    for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) this.#lineStarts.push(at + 1);
    const json = text.replace(/^\uFEFF/, " ");
    for (const { offset, message } of syntaxFaults(json))
      this.faults.push({ file, ...this.#position(offset), path: "", message });
    if (this.faults.length > 0) return;
    this.#root = parseTree(json);
    if (this.#root) this.#findWrongTexts(this.#root, []);
  }

  /** A fault at the value of a path of the page, at its key, or at the nearest value around it that the file has. */
  fault(of: Path, message: string, at: "value" | "key" = "value"): Fault {
    const path = this.origin(of);
    const other = this.elsewhere(path);
    if (other) return other.fault(path, message, at);
    let node: Node | undefined;
    for (let length = path.length; length >= 0 && !node; length--)
      node = this.#root && findNodeAtLocation(this.#root, path.slice(0, length));
    if (at === "key" && node?.parent?.type === "property") node = node.parent;
    return { file: this.file, ...this.#position(node?.offset ?? 0), path: pointer(path), message };
  }

  /** Keys that are there twice or that mean something else to programs, and texts with what no page can show. */
  #findWrongTexts(node: Node, path: Path): void {
    const found = (at: Node, message: string, where = path) =>
      this.faults.push({ file: this.file, ...this.#position(at.offset), path: pointer(where), message });
    if (typeof node.value === "string") {
      const wrong = unprintable(node.value);
      if (wrong) found(node, `the text has ${wrong} in it, which no page can show; take it out`);
    }
    const seen = new Set<string>();
    for (const [index, child] of (node.children ?? []).entries()) {
      if (node.type === "array") this.#findWrongTexts(child, [...path, index]);
      if (node.type !== "object") continue;
      const [key, value] = child.children ?? [];
      const name = String(key?.value);
      const here = [...path, name];
      if (name === "__proto__") found(child, 'unknown key "__proto__"; remove it', here);
      else if (seen.has(name)) found(child, `the key "${name}" is here twice; keep one of them`, here);
      seen.add(name);
      if (value) this.#findWrongTexts(value, here);
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
