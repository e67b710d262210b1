import { copyFile, cp, mkdir, readdir, rename } from "node:fs/promises";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { withAside } from "../aside.ts";
import { packageFolder } from "../package.ts";
import { Problem } from "../problem.ts";

/** Makes a folder with the starter page. */
export async function newPage(folder: string): Promise<void> {
  const target = resolve(folder);
  const entries = await readdir(target).catch((error: NodeJS.ErrnoException) => {
    if (error.code === "ENOENT") return [];
    throw new Problem(`${folder} is not a folder; choose another name`);
  });
  if (entries.length > 0) throw new Problem(`${folder} is not empty; choose another name, or empty it first`);
  await mkdir(dirname(target), { recursive: true });
  await withAside(target, async (staging) => {
    await cp(fileURLToPath(new URL("starter", packageFolder)), staging, { recursive: true });
    await copyFile(
      fileURLToPath(import.meta.resolve("lumbit/schema.json")),
      join(staging, "lumbit-1.schema.json"),
    );
    // A folder that is there may be the one that somebody stands in: it stays.
    await mkdir(target, { recursive: true });
    for (const name of await readdir(staging)) await rename(join(staging, name), join(target, name));
  });
  const page = join(folder, "page.json");
  console.log(`${page} is ready. See it:  npx lumbit preview ${page}`);
}
