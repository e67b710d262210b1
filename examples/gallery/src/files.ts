import type { Assets } from "lumbit";
import type { Page } from "lumbit/core";
import { referencesIn } from "lumbit/document";

const addresses = {
  ...import.meta.glob<string>("../../tidehouse/art/*.webp", {
    eager: true,
    query: "?url",
    import: "default",
  }),
  ...import.meta.glob<string>("../../tidehouse/fonts/*.woff2", {
    eager: true,
    query: "?url",
    import: "default",
  }),
};

/** Where the files of a page are in this site; pictures are loaded for their sizes. */
export async function filesOf(page: Page): Promise<Assets> {
  const paths = [...new Set(referencesIn(page).map(({ path }) => path))];
  const at = (path: string) => new URL(addresses[`../../tidehouse/${path}`] ?? path, document.baseURI).href;
  const pictures = await Promise.all(
    paths
      .filter((path) => path.endsWith(".webp"))
      .map(async (path) => [path, await sized(at(path))] as const),
  );
  const fonts = paths.filter((path) => path.endsWith(".woff2")).map((path) => [path, at(path)] as const);
  return { pictures: Object.fromEntries(pictures), fonts: Object.fromEntries(fonts) };
}

async function sized(url: string) {
  const picture = new Image();
  picture.src = url;
  await picture.decode();
  return { url, width: picture.naturalWidth, height: picture.naturalHeight };
}
