import { convert } from "fontverter";
import {
  Blob,
  Face,
  Feature,
  Font as HarfBuzzFont,
  Buffer as ShapingBuffer,
  shape,
  Variation,
} from "harfbuzzjs";

/** A font file that was read. */
export class Font {
  readonly #face: Face;
  readonly #letters: ReadonlySet<number>;
  readonly #instances = new Map<string, HarfBuzzFont>();

  private constructor(face: Face) {
    this.#face = face;
    this.#letters = new Set(face.collectUnicodes());
  }

  /** The font in a file's bytes (WOFF2, WOFF, TrueType or OpenType); `undefined` when there is none. */
  static async open(bytes: Buffer): Promise<Font | undefined> {
    try {
      const sfnt = await convert(bytes, "sfnt");
      const face = new Face(new Blob(new Uint8Array(sfnt).buffer));
      return face.upem > 0 && face.collectUnicodes().length > 0 ? new Font(face) : undefined;
    } catch {
      return undefined;
    }
  }

  /**
   * The advance in px of a text on one line, at a weight and a size in px. Shaped by HarfBuzz, as browsers do.
   * Optional ligatures are left out where letters are spaced, as CSS demands.
   */
  advance(text: string, weight: number, size: number, spaced: boolean): number {
    return this.#shape(this.#instance(weight, size), text, size, spaced);
  }

  /** Whether it has all letters of a text. */
  covers(text: string): boolean {
    return [...text].every(
      (letter) => /[\s\p{Cf}]/u.test(letter) || this.#letters.has(letter.codePointAt(0) ?? 0),
    );
  }

  /** The tags of its axes, where it is a variable font. */
  get axes(): string[] {
    return Object.keys(this.#face.getAxisInfos());
  }

  /** The same with every axis at its default, as the font's metrics are of. */
  defaultAdvance(text: string, size: number): number {
    return this.#shape(new HarfBuzzFont(this.#face), text, size, false);
  }

  #shape(font: HarfBuzzFont, text: string, size: number, spaced: boolean): number {
    const buffer = new ShapingBuffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    shape(font, buffer, spaced ? [new Feature("liga", 0), new Feature("clig", 0)] : []);
    const units = buffer.getGlyphPositions().reduce((sum, { xAdvance }) => sum + (xAdvance ?? 0), 0);
    return (units * size) / this.#face.upem;
  }

  /** A variable font at the axes that CSS sets by itself: weight and optical size. */
  #instance(weight: number, size: number): HarfBuzzFont {
    const key = `${weight} ${size}`;
    const known = this.#instances.get(key);
    if (known) return known;
    const font = new HarfBuzzFont(this.#face);
    const axes = this.#face.getAxisInfos();
    const wanted = { wght: weight, opsz: size };
    font.setVariations(
      Object.entries(wanted).flatMap(([tag, value]) => {
        const axis = axes[tag];
        return axis ? [new Variation(tag, Math.min(Math.max(value, axis.min), axis.max))] : [];
      }),
    );
    this.#instances.set(key, font);
    return font;
  }
}
