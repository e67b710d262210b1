import { createFontStack } from "@capsizecss/core";
import arial from "@capsizecss/metrics/arial";
import notoSerif from "@capsizecss/metrics/notoSerif";
import roboto from "@capsizecss/metrics/roboto";
import timesNewRoman from "@capsizecss/metrics/timesNewRoman";
import { fromBuffer } from "@capsizecss/unpack";
import type { Page } from "lumbit/core";
import type { FontStack } from "lumbit/static";
import type { Project } from "./project.ts";

/**
 * For every font family of a page, the reader's own fonts scaled to its letters (`size-adjust` and the metric overrides
 * of CSS Fonts 5), so that the layout stays when the font arrives.
 */
export async function fontStacks({
  page,
  fonts,
}: Pick<Project, "page" | "fonts">): Promise<Record<string, FontStack>> {
  const stacks = (page.fonts ?? []).map(async ({ family, src }): Promise<[string, FontStack]> => {
    const bytes = fonts.find(({ path }) => path === src)?.bytes as Buffer;
    const metrics = { ...(await fromBuffer(bytes)), familyName: family };
    const similar = hasSerifs(family, page)
      ? ([timesNewRoman, notoSerif] as const)
      : ([arial, roboto] as const);
    return [family, createFontStack([metrics, ...similar])];
  });
  // Of a family in several files the first, usually its regular one, stands for all.
  return Object.fromEntries((await Promise.all(stacks)).reverse());
}

/** Whether a page names `serif` behind a family, in one of its font lists. */
const hasSerifs = (family: string, page: Page): boolean =>
  fontLists(page).some((list) => list.includes(family) && /,\s*serif\s*$/.test(list));

const fontLists = (value: unknown): string[] =>
  typeof value === "object" && value !== null
    ? Object.entries(value).flatMap(([key, inner]) =>
        key === "fontFamily" && typeof inner === "string" ? [inner] : fontLists(inner),
      )
    : [];
