import type { Pieces } from "../core/page.ts";

/** A text that was split: its pieces, those that belong together in a group, and what makes it one text again. */
export interface SplitText {
  groups: HTMLElement[][];
  restore(): void;
}

/**
 * Splits a text into boxes of its lines, words or letters. Letters are what readers call so (grapheme clusters);
 * scripts whose letters join are split into words. Boxes never break a word over lines.
 */
export function splitText(element: HTMLElement, pieces: Pieces): SplitText {
  const before = [...element.childNodes].map((node) => node.cloneNode(true));
  const joined = /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\p{Script=Nko}]/u.test(
    element.textContent ?? "",
  );
  const texts = textNodes(element);
  const words: HTMLElement[] = [];
  const letters: HTMLElement[] = [];
  for (const text of texts) {
    const parts = text.data.split(/(\s+)/).filter(Boolean);
    text.replaceWith(
      ...parts.map((part) => {
        if (/^\s+$/.test(part)) return new Text(part);
        const word = box(part);
        if (pieces === "letters" && !joined) {
          const split = graphemes(part).map(box);
          word.replaceChildren(...split);
          letters.push(...split);
        }
        words.push(word);
        return word;
      }),
    );
  }
  return {
    groups:
      pieces === "lines" ? linesOf(words) : (letters.length > 0 ? letters : words).map((piece) => [piece]),
    restore: () => element.replaceChildren(...before),
  };
}

function textNodes(element: HTMLElement): Text[] {
  const walker = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const found: Text[] = [];
  while (walker.nextNode()) found.push(walker.currentNode as Text);
  return found;
}

/** The letters of a word as readers count them. */
export const graphemes = (word: string): string[] =>
  [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(word)].map(({ segment }) => segment);

function box(text: string): HTMLElement {
  const piece = document.createElement("span");
  piece.style.display = "inline-block";
  piece.textContent = text;
  return piece;
}

/** Words by the lines that they stand in. */
function linesOf(words: readonly HTMLElement[]): HTMLElement[][] {
  const lines: HTMLElement[][] = [];
  let top = Number.NaN;
  for (const word of words) {
    if (Math.abs(word.offsetTop - top) > word.offsetHeight / 2 || lines.length === 0) lines.push([]);
    top = word.offsetTop;
    lines.at(-1)?.push(word);
  }
  return lines;
}
