import LineBreaker from "linebreak";
import {
  averageAdvance,
  fittedWidth,
  joinedRuns,
  largestOpticalSize,
  type Page,
  parseLength,
  plainText,
  type Run,
  resolveFontSize,
  resolveLength,
  runsOf,
  runsWithin,
  type Size,
  type TextLayer,
  type TextStyle,
  textDefaults,
  type Viewport,
} from "../core/index.ts";
import type { PageFont, TextFont } from "./font.ts";

/** Measures texts with the fonts that the page ships, as a browser would set them. */
export class TextSizer {
  readonly #page: Page;
  readonly #fonts: Map<string, TextFont>;

  constructor(page: Page, fonts: readonly PageFont[]) {
    this.#page = page;
    this.#fonts = new Map(fonts.map(({ path, font }) => [path, font]));
  }

  /** Whether the size of a text is only an estimate, because the page ships no font that has all of its letters. */
  isEstimate = (layer: Sized): boolean => !this.fontOf(layer)?.covers(plainText(layer.text));

  /** The box in px that a text needs when it may use `availableWidth`, with the space around its words. */
  size(layer: Sized, availableWidth: number, viewport: Viewport): Size {
    const around = 2 * resolveLength(layer.padding ?? 0, { viewport, percent: 0 });
    const { width, height } = this.#wordsSize(layer, availableWidth - around, viewport);
    return { width: width + around, height: height + around };
  }

  #wordsSize(layer: Sized, availableWidth: number, viewport: Viewport): Size {
    const lineHeight = layer.lineHeight ?? textDefaults.lineHeight;
    const fitted = fittedWidth(layer) !== undefined && { width: availableWidth, ems: this.ems(layer) };
    const fontSize = resolveFontSize(layer.fontSize, { viewport, ...(fitted && { fitted }) });
    const spacing = letterSpacing(layer.letterSpacing ?? 0, fontSize, viewport);
    let lines = 0;
    let widest = 0;
    const oneLine = layer.wrap === false || layer.repeat !== undefined || fitted !== false;
    for (const line of linesOf(layer)) {
      const text = line.map(({ text }) => text).join("");
      const advance = (from: number, to: number) =>
        this.#lineAdvance(runsWithin(line, from, to), layer, fontSize, spacing);
      const whole = advance(0, text.length);
      widest = Math.max(widest, whole);
      lines += oneLine || whole <= availableWidth ? 1 : countLines(text, availableWidth, advance);
    }
    // A text that wraps takes all the width it may; the 64th is the step in which browsers lay out.
    if (fitted) return { width: availableWidth, height: lines * fontSize * lineHeight };
    const width = oneLine || widest <= availableWidth ? Math.ceil(widest * 64) / 64 : availableWidth;
    return { width, height: lines * fontSize * lineHeight };
  }

  /** How wide the widest line of a text is, in font sizes, with its letters at their largest optical size. */
  ems(layer: Sized): number {
    const size = largestOpticalSize;
    const spacing = letterSpacing(layer.letterSpacing ?? 0, size, { width: 0, height: 0 });
    return Math.max(...linesOf(layer).map((line) => this.#lineAdvance(line, layer, size, spacing))) / size;
  }

  /** The width of a line of runs, each in the weight and style that it has. */
  #lineAdvance(line: readonly Run[], layer: TextStyle, fontSize: number, spacing: number): number {
    return line.reduce((sum, { text, strong, emphasized }) => {
      const weight = layer.fontWeight ?? textDefaults.fontWeight;
      const style: TextStyle = {
        ...layer,
        ...(strong && { fontWeight: bolder(weight) }),
        ...(emphasized && { fontStyle: "italic" }),
      };
      return sum + this.#advance(text, style, fontSize, spacing);
    }, 0);
  }

  #advance(text: string, layer: TextStyle, fontSize: number, spacing: number): number {
    const weight = layer.fontWeight ?? textDefaults.fontWeight;
    const font = this.fontOf(layer);
    const letterWidths = font?.advance(text, weight, fontSize, spacing !== 0);
    if (letterWidths !== undefined && spacing === 0) return letterWidths;
    const letters = lettersIn(text);
    return (letterWidths ?? letters * fontSize * averageAdvance) + letters * spacing;
  }

  /** The font that the page ships for a text. */
  fontOf(layer: TextStyle): TextFont | undefined {
    const families = layer.fontFamily ?? this.#page.page?.fontFamily ?? "";
    const first = families
      .split(",")[0]
      ?.trim()
      .replace(/^["']|["']$/g, "");
    const style = layer.fontStyle ?? textDefaults.fontStyle;
    const faces = (this.#page.fonts ?? []).filter(({ family }) => family === first);
    const face = faces.find((candidate) => (candidate.style ?? "normal") === style) ?? faces[0];
    return face && this.#fonts.get(face.src);
  }
}

type Sized = Pick<TextLayer, "text" | "wrap" | "repeat" | "padding"> & TextStyle;

/** The lines of a text as it says them, before any wrapping; a repeated text is one row. */
function linesOf({ text, repeat = 1 }: Sized): Run[][] {
  const once = runsOf(text);
  // What stands side by side is set as one: letters are spaced by their neighbours.
  const all = joinedRuns(
    Array.from({ length: repeat }, (_, index) => (index > 0 ? [{ text: " " }, ...once] : once)).flat(),
  );
  const lines: Run[][] = [[]];
  for (const run of all)
    for (const [index, text] of run.text.split("\n").entries()) {
      if (index > 0) lines.push([]);
      if (text !== "") lines.at(-1)?.push({ ...run, text });
    }
  return lines;
}

/** The weight of what is strong in a text of a weight, as CSS has it for `bolder`. */
const bolder = (weight: number): number => (weight < 350 ? 400 : weight < 550 ? 700 : Math.max(weight, 900));

const segmenter = new Intl.Segmenter();

/** How many letters readers see in a text; in plain ASCII one for each character. */
const lettersIn = (text: string) =>
  /^[\x20-\x7e]*$/.test(text) ? text.length : [...segmenter.segment(text)].length;

function letterSpacing(
  length: NonNullable<TextLayer["letterSpacing"]>,
  fontSize: number,
  viewport: Viewport,
): number {
  const em = /^(.+)em$/.exec(String(length));
  return em && !parseLength(String(length))
    ? Number(em[1]) * fontSize
    : resolveLength(length as string, { viewport, percent: fontSize });
}

/** How many lines a paragraph takes, broken where Unicode (UAX #14) allows, and within a word that is too long. */
function countLines(text: string, width: number, advance: (from: number, to: number) => number): number {
  const breaker = new LineBreaker(text);
  /** White space at the end of a line takes no room. */
  const fits = (from: number, to: number) =>
    advance(from, from + text.slice(from, to).trimEnd().length) <= width;
  let lines = 1;
  let start = 0;
  let from = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    const { position } = next;
    if (!fits(start, position)) {
      if (from > start) lines++;
      start = from;
      for (const { index, segment } of segmenter.segment(text.slice(from, position))) {
        const at = from + index;
        if (at === start || fits(start, at + segment.length)) continue;
        lines++;
        start = at;
      }
    }
    from = position;
  }
  return lines;
}
