import { createHash } from "node:crypto";
import { join } from "node:path";
import cacache from "cacache";
import envPaths from "env-paths";

/** The same for the same bytes, and for no others. */
export const digest = (content: string | Uint8Array): string =>
  createHash("sha256").update(content).digest("hex");

/** What takes long to find out, kept between runs by a key. */
export interface Shelf {
  /** What is kept under a key; nothing when it is not there or damaged, and is found out again. */
  // biome-ignore lint/suspicious/noExplicitAny: who kept something knows what it was.
  remembered(key: string): Promise<{ data: Buffer; metadata?: any } | undefined>;
  /** Keeps something for the next run; where nothing can be written, that run finds it out again. */
  remember(key: string, data: string | Buffer, metadata?: unknown): Promise<void>;
}

/** A shelf on which so many things find room; then all of them are let go. A change of what is kept takes another name. */
function shelf(name: string, room: number): Shelf {
  const folder = join(envPaths("lumbit", { suffix: "" }).cache, name);
  let cleared: Promise<unknown> | undefined;
  // To count takes long: once a run.
  const clear = async () => {
    if (Object.keys(await cacache.ls(folder)).length >= room) await cacache.rm.all(folder);
  };
  return {
    remembered: (key) => cacache.get(folder, key).catch(() => undefined),
    async remember(key, data, metadata) {
      try {
        cleared ??= clear();
        await cleared;
        await cacache.put(folder, key, data, { metadata });
      } catch {}
    },
  };
}

/** What checks see of pictures. */
export const looks = shelf("looks-2", 4000);

/** Pictures as they are delivered. */
export const delivered = shelf("delivered-1", 2000);
