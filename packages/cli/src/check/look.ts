import type { KnownPicture } from "lumbit/checks";
import sharp from "sharp";
import { uprightPicture } from "../picture/read-picture.ts";
import type { Asset } from "../project.ts";

/** What is seen of a picture: a small copy, and whether it has no pixels of its own. */
export type Look = Required<Pick<KnownPicture, "raster">> & Pick<KnownPicture, "detail">;

/** The longer side of the copies that are looked at, in px. */
const rasterSize = 384;

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

/** The least size, as a share, from which a picture can be enlarged again and shows the same, but for grain. */
export async function detailOf({ bytes }: Pick<Asset, "bytes">): Promise<number> {
  const { data, info } = await (await pixels(bytes)).raw().toBuffer({ resolveWithObject: true });
  const whole: Raw = { data, width: info.width, height: info.height };
  let detail = 1;
  for (const share of [0.5, 0.25]) {
    const again = await resized(await resized(whole, share), 1, whole);
    if (differs(whole.data, again.data)) break;
    detail = share;
  }
  return detail;
}

/** The same bytes where all threads can read them. */
export function shared(bytes: Uint8Array): Uint8Array {
  const copy = new Uint8Array(new SharedArrayBuffer(bytes.byteLength));
  copy.set(bytes);
  return copy;
}

/** Pixels of four values (0..255), row by row. */
interface Raw {
  data: Buffer;
  width: number;
  height: number;
}

async function resized({ data, width, height }: Raw, share: number, to?: Raw): Promise<Raw> {
  const size = to ?? { width: Math.ceil(width * share), height: Math.ceil(height * share) };
  const small = sharp(data, { raw: { width, height, channels: 4 } }).resize({
    width: size.width,
    height: size.height,
    fit: "fill",
    kernel: "cubic",
  });
  return { data: await small.raw().toBuffer(), width: size.width, height: size.height };
}

/** A difference of a value (0..255) that grain makes: it is no detail. */
const grain = 12;

/** One pixel in so many is compared: a picture has millions. */
const compared = 3;

/** Whether more than one pixel in a hundred differs by more than grain, as far as it can be seen. */
function differs(a: Buffer, b: Buffer): boolean {
  const most = 0.01 * (a.length / 4 / compared);
  let different = 0;
  for (let at = 0; at < a.length && different <= most; at += 4 * compared) {
    const alpha = a[at + 3] as number;
    const other = b[at + 3] as number;
    let apart = Math.abs(alpha - other) * 255;
    for (let channel = at; channel < at + 3; channel++)
      apart = Math.max(apart, Math.abs((a[channel] as number) * alpha - (b[channel] as number) * other));
    if (apart > grain * 255) different++;
  }
  return different > most;
}
