/** What a text is split into. */
export type Pieces = "lines" | "words" | "letters";

/** A part of a text: a piece, or the white space between pieces. */
export interface TextPart {
  text: string;
  isPiece: boolean;
}

/**
 * A text in its pieces and the white space between them: all parts together are the text. Letters are what readers
 * call so (grapheme clusters); words of scripts whose letters join stay whole.
 */
export function textParts(text: string, pieces: Pieces): TextPart[] {
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

/** What is put into a box of its own: for lines it is words, since only the screen knows where lines end. */
export const boxedPieces = (pieces: Pieces): Pieces => (pieces === "lines" ? "words" : pieces);

/** How late each box of a text comes among them, from 0 to 1: lines are those that the text itself breaks into. */
export function lateness(text: string, pieces: Pieces): number[] {
  const lines = pieces === "lines" ? text.split("\n").filter((line) => line.trim()) : [];
  const places =
    pieces === "lines"
      ? lines.flatMap((line, index) => boxesOf(line, "words").map(() => index))
      : boxesOf(text, pieces).map((_, index) => index);
  const last = places.at(-1) ?? 0;
  return places.map((place) => (last > 0 ? place / last : 0));
}

const boxesOf = (text: string, pieces: Pieces) => textParts(text, pieces).filter(({ isPiece }) => isPiece);

const joins = (word: string) =>
  /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\p{Script=Nko}\p{Script=Adlam}]/u.test(word);

/** A browser takes a while to get ready to segment, and most words do not need it. */
const graphemes = (word: string) =>
  /^[!-~]+$/.test(word)
    ? [...word]
    : [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(word)].map(
        ({ segment }) => segment,
      );
