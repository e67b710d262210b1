import { createHash } from "node:crypto";
import { join } from "node:path";
import cacache from "cacache";
import envPaths from "env-paths";
import type { KnownPicture } from "lumbit/checks";
import sharp from "sharp";
import { Problem } from "../problem.ts";
import type { PictureAsset, Project } from "../project.ts";
import { type Look, shared } from "./look.ts";
import { inWorker } from "./workers.ts";

/** Where looks are kept between runs, by the content of the picture. A change of how one looks takes another folder. */
const kept = join(envPaths("lumbit", { suffix: "" }).cache, "looks-1");
/** So many looks are kept before all are let go. */
const mostKept = 2000;

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
        const look = await looked(picture);
        progress(++done);
        return [path, { width, height, bytes: bytes.byteLength, ...look }];
      }),
    ),
  );
}

async function looked({ path, bytes }: PictureAsset): Promise<Look> {
  const key = createHash("sha256").update(bytes).digest("hex");
  const known = await remembered(key);
  if (known) return known;
  const look = await inWorker("look", { path, bytes });
  if (typeof look === "string") throw new Problem(look);
  await remember(key, look);
  return look;
}

async function remembered(key: string): Promise<Look | undefined> {
  try {
    const { data, metadata } = await cacache.get(kept, key);
    const raw = await sharp(data).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const { width, height } = raw.info;
    return { raster: { width, height, data: shared(raw.data) }, detail: metadata.detail };
  } catch {
    return undefined; // Not there, or damaged: it is looked at again.
  }
}

/** Keeps a look for the next run; where nothing can be written, that run looks again. */
async function remember(key: string, look: Look): Promise<void> {
  try {
    if (Object.keys(await cacache.ls(kept)).length >= mostKept) await cacache.rm.all(kept);
    const { width, height, data } = look.raster;
    const png = await sharp(Buffer.from(data), { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    await cacache.put(kept, key, png, { metadata: { detail: look.detail } });
  } catch {}
}
