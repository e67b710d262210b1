import {
  type Box,
  columnDefaults,
  headerGap,
  headerPadding,
  type PageLook,
  resolveFontSize,
  resolveLength,
  type Size,
  textDefaults,
} from "../core/index.ts";
import type { View } from "./view.ts";

/** Words of the header on the screen, and what is painted behind them. */
export interface HeaderWords {
  words: string;
  box: Box;
  bar: Box;
  /** Their font size in px. */
  size: number;
}

/** The words at the start of a header, and the first line of its links. */
export function headerWords(
  { text, links = [], ...style }: NonNullable<PageLook["header"]>,
  { page, viewport, natural }: View,
): HeaderWords[] {
  const size = resolveFontSize(style.fontSize, { viewport });
  const height = textDefaults.lineHeight * size;
  const margin = resolveLength(page.page?.margin ?? columnDefaults.margin, {
    viewport,
    percent: viewport.width,
  });
  const around = resolveLength(headerPadding, { viewport, percent: 0 });
  const wide = viewport.width - 2 * margin;
  const sizeOf = (words: string): Size => {
    const { fontFamily, fontWeight, letterSpacing } = style;
    const look = { fontFamily, fontWeight, letterSpacing, lineHeight: textDefaults.lineHeight };
    return natural.layer(
      { ...look, name: "", text: words, fontSize: `${size}px`, wrap: false },
      wide,
      viewport,
      "",
    );
  };
  const bar = { left: 0, top: 0, width: viewport.width, height: height + 2 * around };
  const start = text === undefined ? 0 : sizeOf(text).width;
  const end =
    links.reduce((sum, link) => sum + sizeOf(link.text).width, 0) +
    headerGap * size * Math.max(0, links.length - 1);
  const box = { top: around, height };
  return [
    ...(text === undefined
      ? []
      : [{ words: text, size, bar, box: { ...box, left: margin, width: Math.min(start, wide) } }]),
    // Where there is no room for them beside the words they stand below: the words tell enough then.
    ...(links.length === 0 || start + end > wide
      ? []
      : [
          {
            words: links.map((link) => link.text).join(", "),
            ...{ size, bar, box: { ...box, left: viewport.width - margin - end, width: end } },
          },
        ]),
  ];
}
