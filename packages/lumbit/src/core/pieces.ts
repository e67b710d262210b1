import type { Pieces } from "./page.ts";

/** A part of a text: a piece, or the white space between pieces. */
export interface TextPart {
  text: string;
  isPiece: boolean;
}

/**
 * A text in its pieces and the white space between them: all parts together are the text. Letters are what readers
 * call so (grapheme clusters); words of scripts whose letters join stay whole.
 */
export function splitText(text: string, pieces: Pieces): TextPart[] {
  const between = pieces === "lines" ? /(\n)/ : /(\s+)/;
  return text
    .split(between)
    .filter(Boolean)
    .flatMap((part): TextPart[] => {
      if (/^\s+$/.test(part)) return [{ text: part, isPiece: false }];
      const split = pieces === "letters" && !joins(part) ? graphemes(part) : [part];
      return split.map((piece) => ({ text: piece, isPiece: true }));
    });
}

const joins = (word: string) =>
  /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\p{Script=Nko}\p{Script=Adlam}]/u.test(word);

const graphemes = (word: string) =>
  [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(word)].map(({ segment }) => segment);
