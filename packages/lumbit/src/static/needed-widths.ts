import { allLayers, isImage, type Page, type Size } from "../core/index.ts";
import type { DrawnWidths } from "./drawn-widths.ts";

/** Screens that pages are read on, with their device pixels for a CSS pixel: pictures are made as wide as these need. */
const screens = [
  { width: 390, height: 844, density: 2 },
  { width: 390, height: 844, density: 3 },
  { width: 768, height: 1024, density: 2 },
  { width: 1280, height: 800, density: 1 },
  { width: 1440, height: 900, density: 2 },
  { width: 1920, height: 1080, density: 1 },
  { width: 2560, height: 1440, density: 2 },
] as const;

/** A file that is narrower than another by less than this share is not worth making. */
const closest = 0.05;

/** The widths in px in which a page needs each of its pictures, the widest first; none of those that it names elsewhere. */
export function neededWidths(
  page: Page,
  files: Readonly<Record<string, Size>>,
  drawn: DrawnWidths,
): Map<string, number[]> {
  const wanted = new Map<string, number[]>();
  const want = (path: string, widthAt: (screen: (typeof screens)[number]) => number) => {
    const most = files[path]?.width ?? 0;
    const widths = screens.map((screen) => Math.min(most, Math.ceil(widthAt(screen) * screen.density)));
    wanted.set(path, [...(wanted.get(path) ?? []), ...widths]);
  };
  for (const layer of page.scenes.flatMap(({ layers }) => allLayers(layers)).filter(isImage))
    for (const { image, variants } of [layer, ...(layer.rules ?? [])])
      if (image !== undefined && !variants) want(image, (screen) => drawn.widthAt(layer, screen));
  const { backdrop } = page.page ?? {};
  if (backdrop && drawn.backdrop) want(backdrop.image, drawn.backdrop.widthAt);
  return new Map([...wanted].map(([path, widths]) => [path, apart(widths, closest)]));
}

/** Widths without those that are close to a wider one, the widest first. */
export const apart = (widths: readonly number[], by: number): number[] =>
  widths
    .toSorted((a, b) => b - a)
    .reduce<number[]>((kept, width) => {
      if (width >= 1 && width < (kept.at(-1) ?? Number.POSITIVE_INFINITY) * (1 - by)) kept.push(width);
      return kept;
    }, []);
