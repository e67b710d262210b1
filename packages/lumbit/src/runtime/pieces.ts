import type { Pieces } from "../core/pieces.ts";
import { textParts } from "../core/pieces.ts";
import { linesOf } from "./lines.ts";

/** A text that was split: its pieces, those that belong together in a group, and what makes it one text again. */
export interface SplitText {
  groups: HTMLElement[][];
  restore(): void;
}

/** Splits a text into boxes of its lines, words or letters. A word is never broken over lines. */
export function splitElement(element: HTMLElement, pieces: Pieces): SplitText {
  const before = [...element.childNodes].map((node) => node.cloneNode(true));
  const words: HTMLElement[] = [];
  const letters: HTMLElement[] = [];
  for (const node of textNodes(element))
    node.replaceWith(
      ...textParts(node.data, "words").map(({ text, isPiece }) => {
        if (!isPiece) return new Text(text);
        const word = box(text);
        words.push(word);
        if (pieces === "letters") {
          const split = textParts(text, "letters").map((letter) => box(letter.text));
          word.replaceChildren(...split);
          letters.push(...split);
        }
        return word;
      }),
    );
  return {
    groups:
      pieces === "lines" ? linesOf(words) : (letters.length > 0 ? letters : words).map((piece) => [piece]),
    restore: () => element.replaceChildren(...before),
  };
}

/** The texts in an element, in reading order. */
export function textNodes(element: HTMLElement): Text[] {
  const walker = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const found: Text[] = [];
  while (walker.nextNode()) found.push(walker.currentNode as Text);
  return found;
}

function box(text: string): HTMLElement {
  const piece = document.createElement("span");
  piece.style.display = "inline-block";
  piece.textContent = text;
  return piece;
}
