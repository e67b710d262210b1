/** What texts are measured with: a font, whoever reads and shapes it. */
export interface TextFont {
  /**
   * The advance in px of a text on one line, at a weight and a size in px, between letters that nothing spaces; `spaced`
   * says that they will be, which takes optional ligatures away.
   */
  advance(text: string, weight: number, size: number, spaced: boolean): number;
  /** Whether it has all letters of a text. */
  covers(text: string): boolean;
}

/** A font file of a page. */
export interface PageFont {
  /** The path in the page file. */
  path: string;
  font: TextFont;
}
