import type { KnownPicture } from "lumbit/checks";
import sharp from "sharp";
import { digest, looks } from "../kept.ts";
import { Problem } from "../problem.ts";
import type { PictureAsset, Project } from "../project.ts";
import { type Look, shared } from "./look.ts";
import { inWorker } from "./workers.ts";

/**
 * What checks need to know of a project's pictures. Each content is decoded once, on all cores, and remembered.
 *
 * @throws Problem for a picture that cannot be decoded
 */
export async function checkedPictures(
  { pictures }: Project,
  progress: (done: number) => void = () => {},
): Promise<Map<string, KnownPicture>> {
  let done = 0;
  return new Map(
    await Promise.all(
      pictures.map(async (picture): Promise<[string, KnownPicture]> => {
        const { path, width, height, bytes } = picture;
        const [look, detail] = await Promise.all([looked(picture), knownDetail(bytes)]);
        progress(++done);
        return [
          path,
          { width, height, bytes: bytes.byteLength, ...(detail !== undefined && { detail }), ...look },
        ];
      }),
    ),
  );
}

/** How much detail a picture has, remembered from then on. */
export async function detailOf({ bytes }: PictureAsset): Promise<number> {
  const detail = await inWorker("detail", { bytes });
  await looks.remember(detailKey(bytes), Buffer.alloc(0), detail);
  return detail;
}

const knownDetail = async (bytes: Buffer): Promise<number | undefined> =>
  (await looks.remembered(detailKey(bytes)))?.metadata;

const detailKey = (bytes: Buffer) => `detail of ${digest(bytes)}`;

async function looked({ path, bytes }: PictureAsset): Promise<Look> {
  const key = digest(bytes);
  const entry = await looks.remembered(key);
  if (entry) {
    const raw = await sharp(entry.data).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const { width, height } = raw.info;
    return { raster: { width, height, data: shared(raw.data) }, ...entry.metadata };
  }
  const look = await inWorker("look", { path, bytes });
  if (typeof look === "string") throw new Problem(look);
  const { raster, ...rest } = look;
  const { width, height, data } = raster;
  const png = await sharp(Buffer.from(data), { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
  await looks.remember(key, png, rest);
  return look;
}
