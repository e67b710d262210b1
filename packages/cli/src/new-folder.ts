import { copyFile, mkdir, readdir, rename } from "node:fs/promises";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { withAside } from "./aside.ts";
import { Problem } from "./problem.ts";

/**
 * Makes a folder for a page, with the schema beside what fills it; all of it, or nothing.
 *
 * @throws Problem when something is there already
 */
export async function makeNewFolder(folder: string, fill: (staging: string) => Promise<void>): Promise<void> {
  const target = resolve(folder);
  const entries = await readdir(target).catch((error: NodeJS.ErrnoException) => {
    if (error.code === "ENOENT") return [];
    throw new Problem(`${folder} is not a folder; choose another name`);
  });
  if (entries.length > 0) throw new Problem(`${folder} is not empty; choose another name, or empty it first`);
  await mkdir(dirname(target), { recursive: true });
  await withAside(target, async (staging) => {
    await mkdir(staging, { recursive: true });
    await fill(staging);
    const schema = fileURLToPath(import.meta.resolve("lumbit/schema.json"));
    await copyFile(schema, join(staging, "lumbit-1.schema.json"));
    // A folder that is there may be the one that somebody stands in: it stays.
    await mkdir(target, { recursive: true });
    for (const name of await readdir(staging)) await rename(join(staging, name), join(target, name));
  });
}
