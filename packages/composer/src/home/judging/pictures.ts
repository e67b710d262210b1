import { detailOf, heavy, type KnownPicture } from "lumbit/checks";
import type { Page } from "lumbit/core";
import { drawnWidths, neededWidths } from "lumbit/static";
import type { KeptFile } from "../storage.ts";
import { drawn, rasterOf } from "./raster.ts";

/** What is seen of a picture file. */
export type Look = Omit<KnownPicture, "bytes" | "delivered">;

/** What is seen of a picture; nothing where this browser cannot decode it. */
export async function lookAt({ type, bytes }: KeptFile): Promise<Look | undefined> {
  const picture = await createImageBitmap(new Blob([bytes], { type })).catch(() => undefined);
  if (!picture) return undefined;
  const { width, height } = picture;
  const raster = rasterOf(picture, { width, height });
  picture.close();
  return { width, height, raster };
}

/** How much detail a picture has: the least size, as a share, that shows the same. */
export async function detailIn({ type, bytes }: KeptFile): Promise<number> {
  const picture = await createImageBitmap(new Blob([bytes], { type }));
  const whole = drawn(picture, picture);
  picture.close();
  return detailOf(whole, async ({ data, width, height }, to) => {
    const pixels = new ImageData(new Uint8ClampedArray(data), width, height);
    return drawn(await createImageBitmap(pixels), to);
  });
}

/**
 * Pictures with the files that a build makes of them. Where the originals are heavy together, each is taken to have the
 * share of its original's bytes that it has of its pixels.
 */
export function withDeliveries(
  known: ReadonlyMap<string, KnownPicture>,
  page: Page,
): Map<string, KnownPicture> {
  const files = Object.fromEntries(known);
  const widths = neededWidths(page, files, drawnWidths(page, files));
  const total = [...widths.keys()].reduce((sum, path) => sum + (known.get(path)?.bytes ?? 0), 0);
  return new Map(
    [...known].map(([path, picture]): [string, KnownPicture] => {
      const own = picture.detail === 0 || path.endsWith(".gif") ? [] : (widths.get(path) ?? []);
      if (own.length === 0) return [path, picture];
      const share = (width: number) => (total > heavy ? (width / picture.width) ** 2 : 1);
      return [
        path,
        { ...picture, delivered: own.map((width) => ({ width, bytes: picture.bytes * share(width) })) },
      ];
    }),
  );
}
