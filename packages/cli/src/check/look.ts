import { detailOf, type KnownPicture, type Raster, rasterSize } from "lumbit/checks";
import type { Size } from "lumbit/core";
import sharp from "sharp";
import { uprightPicture } from "../picture/read-picture.ts";
import type { Asset } from "../project.ts";

/** What is seen of a picture: a small copy, and whether it has no pixels of its own. */
export type Look = Required<Pick<KnownPicture, "raster">> & Pick<KnownPicture, "detail">;

/** What is seen of a picture, or why it cannot be decoded. */
export async function lookAt({ path, bytes }: Asset): Promise<Look | string> {
  try {
    const { format } = await sharp(bytes).metadata();
    const { data, info } = await (await pixels(bytes))
      .resize({
        width: rasterSize,
        height: rasterSize,
        fit: "inside",
        withoutEnlargement: true,
        kernel: "cubic",
      })
      .raw()
      .toBuffer({ resolveWithObject: true });
    const raster = { data: shared(data), width: info.width, height: info.height };
    return { raster, ...(format === "svg" && { detail: 0 }) };
  } catch (error) {
    const reason = String((error as Error).message);
    return /pixel limit/i.test(reason)
      ? `"${path}" has too many pixels to be looked at; make it smaller than 16,000 px on each side`
      : `"${path}" cannot be decoded, so it will not show either; save it anew (${reason})`;
  }
}

const pixels = async (bytes: Uint8Array) => (await uprightPicture(bytes)).ensureAlpha().toColorspace("srgb");

/** How much detail a picture has: the least size, as a share, that shows the same. */
export async function detailIn({ bytes }: Pick<Asset, "bytes">): Promise<number> {
  const { data, info } = await (await pixels(bytes)).raw().toBuffer({ resolveWithObject: true });
  return detailOf({ data, width: info.width, height: info.height }, resized);
}

/** The same bytes where all threads can read them. */
export function shared(bytes: Uint8Array): Uint8Array {
  const copy = new Uint8Array(new SharedArrayBuffer(bytes.byteLength));
  copy.set(bytes);
  return copy;
}

async function resized({ data, width, height }: Raster, to: Size): Promise<Raster> {
  const size = { width: to.width, height: to.height };
  const small = sharp(data, { raw: { width, height, channels: 4 } }).resize({
    ...size,
    fit: "fill",
    kernel: "cubic",
  });
  return { data: await small.raw().toBuffer(), ...size };
}
