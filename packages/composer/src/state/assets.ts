import type { Assets } from "lumbit";
import type { Added, Blobs } from "../home/home.ts";

/** Files that are known, and those that have come; the same where none has. */
export function withAssets(known: Assets, more: Assets): Assets {
  const isNew = (file: unknown, before: unknown) => JSON.stringify(file) !== JSON.stringify(before);
  const come = Object.entries(more.pictures).some(([path, file]) => isNew(file, known.pictures[path]));
  const fonts = Object.entries(more.fonts).some(([path, url]) => isNew(url, known.fonts[path]));
  const markup = isNew(more.markup ?? known.markup, known.markup);
  if (!come && !fonts && !markup) return known;
  return {
    ...known,
    ...(more.markup && { markup: { ...known.markup, ...more.markup } }),
    pictures: { ...known.pictures, ...more.pictures },
    fonts: { ...known.fonts, ...more.fonts },
  };
}

/** Files that were copied into a page's home, as its assets. */
export function filesOf(added: readonly Added[]): { assets: Assets; blobs: Blobs } {
  const pictures = added.flatMap(({ path, picture }) => (picture ? [[path, picture] as const] : []));
  const fonts = added.flatMap(({ path, font }) => (font === undefined ? [] : [[path, font] as const]));
  const blobs = added.flatMap(({ path, blob }) => (blob ? [[path, blob] as const] : []));
  return {
    assets: { pictures: Object.fromEntries(pictures), fonts: Object.fromEntries(fonts) },
    blobs: Object.fromEntries(blobs),
  };
}
