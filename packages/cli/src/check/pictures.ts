import { createHash } from "node:crypto";
import type { Picture } from "lumbit/checks";
import sharp from "sharp";
import { Problem } from "../problem.ts";
import type { PictureAsset, Project } from "../project.ts";

/** The longer side of the copies that are looked at, in px. */
const rasterSize = 384;
type Look = Required<Pick<Picture, "raster" | "detail">>;
const decoded = new Map<string, Promise<Look>>();

/**
 * What checks need to know of a project's pictures. Each content is decoded once, on all cores.
 *
 * @throws Problem for a picture that cannot be decoded
 */
export async function checkedPictures({ pictures }: Project): Promise<Map<string, Picture>> {
  return new Map(
    await Promise.all(
      pictures.map(
        async (picture): Promise<[string, Picture]> => [
          picture.path,
          {
            width: picture.width,
            height: picture.height,
            bytes: picture.bytes.byteLength,
            ...(await looked(picture)),
          },
        ],
      ),
    ),
  );
}

function looked({ path, bytes }: PictureAsset): Promise<Look> {
  const key = createHash("sha256").update(bytes).digest("hex");
  const known = decoded.get(key) ?? decode(path, bytes);
  decoded.set(key, known);
  return known;
}

async function decode(path: string, bytes: Buffer): Promise<Look> {
  try {
    const { data, info } = await sharp(bytes)
      .autoOrient()
      .ensureAlpha()
      .toColorspace("srgb")
      .raw()
      .toBuffer({ resolveWithObject: true });
    const whole: Raw = { data, width: info.width, height: info.height };
    const share = Math.min(1, rasterSize / Math.max(info.width, info.height));
    const { format } = await sharp(bytes).metadata();
    return {
      raster: await resized(whole, share),
      detail: format === "svg" ? 0 : await detailOf(whole),
    };
  } catch (error) {
    const reason = String((error as Error).message);
    throw new Problem(
      /pixel limit/i.test(reason)
        ? `"${path}" has too many pixels to be looked at; make it smaller than 16,000 px on each side`
        : `"${path}" cannot be decoded, so it will not show either; save it anew (${reason})`,
    );
  }
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

/** The least size, as a share, from which a picture can be enlarged again and shows the same, but for grain. */
async function detailOf(whole: Raw): Promise<number> {
  let detail = 1;
  for (const share of [0.5, 0.25]) {
    const again = await resized(await resized(whole, share), 1, whole);
    if (differs(whole.data, again.data)) break;
    detail = share;
  }
  return detail;
}

/** Whether more than one pixel in a hundred differs by more than grain, as far as it can be seen. */
function differs(a: Buffer, b: Buffer): boolean {
  let different = 0;
  for (let at = 0; at < a.length; at += 4) {
    const [alpha = 0, other = 0] = [a[at + 3], b[at + 3]];
    const apart = (offset: number) =>
      Math.abs((a[at + offset] ?? 0) * alpha - (b[at + offset] ?? 0) * other) / 255 > grain;
    if (Math.abs(alpha - other) > grain || apart(0) || apart(1) || apart(2)) different++;
  }
  return different > 0.01 * (a.length / 4);
}
