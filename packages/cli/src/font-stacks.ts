import { createFontStack } from "@capsizecss/core";
import { fromBuffer } from "@capsizecss/unpack";
import { allLayers, type Page } from "lumbit/core";
import {
  fittedWidth,
  isText,
  largestOpticalSize,
  resolveFontSize,
  type TextStyle,
  textDefaults,
} from "lumbit/internal";
import type { FontStack } from "lumbit/static";
import { TextSizer } from "lumbit/text";
import type { Font } from "./font.ts";
import type { FontAsset, Project } from "./project.ts";
import { arial, notoSerif, roboto, timesNewRoman } from "./reader-fonts.ts";

/**
 * For every font family of a page, the reader's own fonts scaled to its letters (`size-adjust` and the metric overrides
 * of CSS Fonts 5), so that the layout stays when the font arrives.
 */
export async function fontStacks({
  page,
  fonts,
}: Pick<Project, "page" | "fonts">): Promise<Record<string, FontStack>> {
  const sizer = new TextSizer(page, fonts);
  const stacks = (page.fonts ?? []).map(async ({ family, src }): Promise<[string, FontStack][]> => {
    const { bytes, font } = fonts.find(({ path }) => path === src) as FontAsset;
    const texts = textsOf(page).filter((text) => sizer.fontOf(text) === font);
    const metrics = await fromBuffer(bytes).catch(() => undefined);
    // A font that shows but whose metrics cannot be read has no stand-in.
    if (!metrics) return [];
    const xWidthAvg = metrics.xWidthAvg * usedWidth(texts, font);
    const asUsed = { ...metrics, familyName: family, subsets: undefined, xWidthAvg };
    const similar = hasSerifs(family, page)
      ? ([timesNewRoman, notoSerif] as const)
      : ([arial, roboto] as const);
    return [[family, createFontStack([asUsed, ...similar])]];
  });
  // Of a family in several files the first, usually its regular one, stands for all.
  return Object.fromEntries((await Promise.all(stacks)).flat().reverse());
}

/** Whether a page names `serif` behind a family, in one of its font lists. */
const hasSerifs = (family: string, page: Page): boolean =>
  fontLists(page).some((list) => list.includes(family) && /,\s*serif\s*$/.test(list));

/** How wide texts are in a font at their weights and sizes, as a share of what they are at the font's defaults. */
function usedWidth(texts: readonly UsedText[], font: Font): number {
  let [used, plain] = [0, 0];
  for (const { text, fontWeight = textDefaults.fontWeight, fontSize } of texts) {
    const size =
      fittedWidth({ fontSize }) === undefined ? resolveFontSize(fontSize, { viewport }) : largestOpticalSize;
    used += font.advance(text, fontWeight, size, false);
    plain += font.defaultAdvance(text, size);
  }
  return plain > 0 ? used / plain : 1;
}

/** A usual one, for sizes that grow with it. */
const viewport = { width: 1280, height: 800 };

type UsedText = TextStyle & { text: string };

const textsOf = ({ scenes }: Page): UsedText[] =>
  scenes.flatMap(({ layers, content = [] }) => [
    ...allLayers(layers).filter(isText),
    ...content.map((block) => ({ ...block, text: (block.list ?? [block.text]).join(" ") })),
  ]);

const fontLists = (value: unknown): string[] =>
  typeof value === "object" && value !== null
    ? Object.entries(value).flatMap(([key, inner]) =>
        key === "fontFamily" && typeof inner === "string" ? [inner] : fontLists(inner),
      )
    : [];
