import { isMarkedUp } from "./marked-up.ts";

/** A stretch of a text that looks one way. */
export interface Run {
  text: string;
  strong?: true;
  emphasized?: true;
  /** Where it leads, as a link. */
  href?: string;
}

/** Part of a text while it is read: letters, or marks that may begin or end something. */
interface Node {
  text: string;
  /** Of marks of emphasis: how many of them are left, and whether they may open and close. */
  marks?: { sign: "*" | "_"; left: number; length: number; opens: boolean; closes: boolean };
  strong?: true;
  emphasized?: true;
  href?: string;
}

const punctuation = /[\p{P}\p{S}]/u;
const white = /\s/u;

/**
 * A text as stretches that look alike: `**strong**` or `__strong__`, `*emphasized*` or `_emphasized_`, `[a link](address)`, and
 * a backslash before a sign that means itself. The rules are those of CommonMark 0.31 for these (sections 2.4, 6.2 and 6.3, links with
 * their address in place and without a title); all else is letters.
 */
export function runsOf(source: string): Run[] {
  if (!isMarkedUp(source)) return [{ text: source }];
  const unmarked = /[^\\*_[\]]+/y;
  const nodes: Node[] = [];
  /** Brackets that a link may begin with, by where they stand among the nodes. */
  const brackets: { at: number; isActive: boolean }[] = [];
  const letters = (text: string) => {
    const last = nodes.at(-1);
    if (last && !last.marks && last.href === undefined && brackets.at(-1)?.at !== nodes.length - 1)
      last.text += text;
    else nodes.push({ text });
  };
  for (let at = 0; at < source.length; ) {
    const sign = source[at] as string;
    if (sign === "\\" && isEscapable(source[at + 1])) {
      letters(source[at + 1] as string);
      at += 2;
    } else if (sign === "*" || sign === "_") {
      let end = at;
      while (source[end] === sign) end++;
      nodes.push({ text: source.slice(at, end), marks: marksAt(source, at, end, sign) });
      at = end;
    } else if (sign === "[") {
      brackets.push({ at: nodes.length, isActive: true });
      nodes.push({ text: "[" });
      at++;
    } else if (sign === "]") {
      const bracket = brackets.pop();
      const address = bracket?.isActive ? addressAt(source, at + 1) : undefined;
      if (!bracket || !address) {
        letters("]");
        at++;
        continue;
      }
      const inside = nodes.splice(bracket.at).slice(1);
      emphasize(inside);
      for (const node of inside) nodes.push({ ...node, href: address.href });
      // A link has no other in it; those before an inactive one are inactive too.
      for (let last = brackets.length - 1; brackets[last]?.isActive; last--)
        (brackets[last] as { isActive: boolean }).isActive = false;
      at = address.end;
    } else {
      unmarked.lastIndex = at;
      const [plain] = unmarked.exec(source) ?? [sign];
      letters(plain);
      at += plain.length;
    }
  }
  emphasize(nodes);
  return joinedRuns(nodes);
}

/** A text without what says how it looks. */
export const plainText = (source: string): string =>
  runsOf(source)
    .map(({ text }) => text)
    .join("");

const isEscapable = (sign = "") => /[!-/:-@[-`{-~]/.test(sign);

/** So many parentheses stand in each other in an address; CommonMark asks for three at least. */
const mostNested = 32;

/** The address of a link in parentheses, which stand in it in pairs, and where it ends. */
function addressAt(source: string, from: number): { href: string; end: number } | undefined {
  if (source[from] !== "(") return undefined;
  const past = (at: number) => {
    let end = at;
    while (white.test(source[end] ?? "")) end++;
    return end;
  };
  let at = past(from + 1);
  const isBracketed = source[at] === "<";
  if (isBracketed) at++;
  let href = "";
  for (let depth = 0; at < source.length; at++) {
    const sign = source[at] as string;
    if (isBracketed ? /[<>\n]/.test(sign) : /[\s\u007f]/.test(sign) || sign < " ") break;
    if (!isBracketed && sign === "(" && ++depth > mostNested) return undefined;
    if (!isBracketed && sign === ")" && depth-- === 0) break;
    if (sign === "\\" && isEscapable(source[at + 1])) at++;
    href += source[at];
  }
  if (isBracketed && source[at++] !== ">") return undefined;
  const end = past(at);
  return source[end] === ")" ? { href, end: end + 1 } : undefined;
}

/** Whether a row of marks may open and close emphasis, by what stands beside it. */
function marksAt(source: string, at: number, end: number, sign: "*" | "_"): NonNullable<Node["marks"]> {
  const before = [...source.slice(Math.max(0, at - 2), at)].at(-1) ?? " ";
  const after = String.fromCodePoint(source.codePointAt(end) ?? 32);
  const opening =
    !white.test(after) && (!punctuation.test(after) || white.test(before) || punctuation.test(before));
  const closing =
    !white.test(before) && (!punctuation.test(before) || white.test(after) || punctuation.test(after));
  const isStar = sign === "*";
  return {
    ...{ sign, left: end - at, length: end - at },
    opens: opening && (isStar || !closing || punctuation.test(before)),
    closes: closing && (isStar || !opening || punctuation.test(after)),
  };
}

/**
 * Makes strong and emphasized what stands between marks; marks that are left over are letters. Goes over them once, by the stack of
 * CommonMark's appendix: what stands between a pair leaves it, and where no opening was found none is looked for again.
 */
function emphasize(nodes: Node[]): void {
  const openings: number[] = [];
  const searched = new Map<string, number>();
  /** How many pairs of each kind begin before a node, less those that have ended. */
  const begun = { strong: new Int32Array(nodes.length + 1), emphasized: new Int32Array(nodes.length + 1) };
  for (const [close, { marks: closing }] of nodes.entries()) {
    if (!closing) continue;
    const kind = `${closing.sign} ${closing.opens} ${closing.length % 3}`;
    while (closing.closes && closing.left > 0) {
      const bottom = searched.get(kind) ?? -1;
      const isOpening = (index: number) => {
        const { marks } = nodes[index] as Node;
        return index <= bottom || (marks !== undefined && isPair(marks, closing));
      };
      const at = openings.findLastIndex(isOpening);
      const open = openings[at] ?? -1;
      const opening = nodes[open]?.marks;
      if (!opening || open <= bottom) {
        searched.set(kind, close - 1);
        break;
      }
      const most = Math.min(opening.left, closing.left) >= 2 ? 2 : 1;
      opening.left -= most;
      closing.left -= most;
      const pairs = most === 2 ? begun.strong : begun.emphasized;
      pairs[open + 1] = (pairs[open + 1] ?? 0) + 1;
      pairs[close] = (pairs[close] ?? 0) - 1;
      openings.length = opening.left > 0 ? at + 1 : at;
    }
    if (closing.opens && closing.left > 0) openings.push(close);
  }
  let [strong, emphasized] = [0, 0];
  for (const [index, node] of nodes.entries()) {
    strong += begun.strong[index] ?? 0;
    emphasized += begun.emphasized[index] ?? 0;
    if (strong > 0) node.strong = true;
    if (emphasized > 0) node.emphasized = true;
    if (!node.marks) continue;
    node.text = node.marks.sign.repeat(node.marks.left);
    delete node.marks;
  }
}

/** Whether marks open what others close; sums of three are told apart by rule 9 and 10 of CommonMark. */
const isPair = (opening: NonNullable<Node["marks"]>, closing: NonNullable<Node["marks"]>): boolean =>
  opening.opens &&
  opening.left > 0 &&
  opening.sign === closing.sign &&
  !(
    (opening.closes || closing.opens) &&
    (opening.length + closing.length) % 3 === 0 &&
    !(opening.length % 3 === 0 && closing.length % 3 === 0)
  );

/** Runs of which those that look alike and stand side by side are one. */
export function joinedRuns(nodes: readonly Run[]): Run[] {
  const runs: Run[] = [];
  for (const { text, strong, emphasized, href } of nodes) {
    if (text === "") continue;
    const last = runs.at(-1);
    if (last && last.strong === strong && last.emphasized === emphasized && last.href === href)
      last.text += text;
    else
      runs.push({
        text,
        ...(strong && { strong }),
        ...(emphasized && { emphasized }),
        ...(href !== undefined && { href }),
      });
  }
  return runs;
}

/** What of a text's runs lies between two of its letters. */
export function runsWithin(runs: readonly Run[], from: number, to: number): Run[] {
  let at = 0;
  return runs.flatMap((run) => {
    const text = run.text.slice(Math.max(0, from - at), Math.max(0, to - at));
    at += run.text.length;
    return text === "" ? [] : [{ ...run, text }];
  });
}
