import { createHash } from "node:crypto";
import { join } from "node:path";
import cacache from "cacache";
import envPaths from "env-paths";

/** Where what takes long to see is kept between runs, by content. A change of how one looks takes another folder. */
const kept = join(envPaths("lumbit", { suffix: "" }).cache, "looks-2");
/** So many things are kept before all are let go. */
const mostKept = 4000;

/** The same for the same bytes, and for no others. */
export const digest = (content: string | Uint8Array): string =>
  createHash("sha256").update(content).digest("hex");

/** What is kept under a key; nothing when it is not there or damaged, and is looked at again. */
export const remembered = (key: string) => cacache.get(kept, key).catch(() => undefined);

/** Keeps something for the next run; where nothing can be written, that run looks again. */
export async function remember(key: string, data: string | Buffer, metadata?: unknown): Promise<void> {
  try {
    if (Object.keys(await cacache.ls(kept)).length >= mostKept) await cacache.rm.all(kept);
    await cacache.put(kept, key, data, { metadata });
  } catch {}
}
