import { boxedPieces, type Pieces, textParts } from "../../../core/pieces.ts";
import { mark } from "../../marks.ts";
import { textNodes } from "../../pieces.ts";

/** A text that is split into plain inline boxes, so that each piece moves by itself. */
export interface AdoptedText {
  pieces(): readonly HTMLElement[];
  /** Makes it one text again, as it is by now. */
  restore(): void;
}

/**
 * Splits a text, and again whenever its words change: in the element, or in the text nodes that were in it and that
 * whoever made them may still write to. `changed` is called then.
 */
export function adoptText(text: HTMLElement, kind: Pieces, changed: () => void): AdoptedText {
  const unmark = kind === "lines" ? mark(text, "lines") : () => {};
  let before: ChildNode[] = [];
  let shown: ChildNode[] = [];
  let boxes: HTMLElement[] = [];
  const observer = new MutationObserver(() => {
    split();
    changed();
  });
  const isOurs = () =>
    shown.length === text.childNodes.length && shown.every((node, index) => node === text.childNodes[index]);
  function split(): void {
    observer.disconnect();
    if (!isOurs()) before = [...text.childNodes];
    const copies = before.map((node) => node.cloneNode(true) as ChildNode);
    text.replaceChildren(...copies);
    boxes = splitIn(text, kind);
    shown = [...text.childNodes];
    observer.observe(text, { childList: true });
    for (const node of before)
      observer.observe(node, { characterData: true, childList: true, subtree: true });
  }
  split();
  return {
    pieces: () => boxes,
    restore() {
      observer.disconnect();
      if (isOurs()) text.replaceChildren(...before);
      unmark();
    },
  };
}

function splitIn(text: HTMLElement, kind: Pieces): HTMLElement[] {
  const boxes: HTMLElement[] = [];
  for (const node of textNodes(text))
    node.replaceWith(
      ...textParts(node.data, boxedPieces(kind)).map((part) => {
        if (!part.isPiece) return part.text;
        const box = text.ownerDocument.createElement("span");
        mark(box, "piece", "ramped");
        box.textContent = part.text;
        boxes.push(box);
        return box;
      }),
    );
  for (const [index, box] of boxes.entries())
    box.style.setProperty("--lumbit-late", String(boxes.length > 1 ? index / (boxes.length - 1) : 0));
  return boxes;
}
