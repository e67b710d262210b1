import { chmod, link, readFile, realpath, rename, stat, writeFile } from "node:fs/promises";
import { withAside } from "./aside.ts";
import { Problem } from "./problem.ts";

/**
 * Writes a file: beside its place first, then into it, so that nobody meets half of it. A file that is there keeps its
 * permissions, and of a link the file that it leads to is written.
 */
export async function replaceFile(file: string, content: string | Buffer): Promise<void> {
  const target = await realpath(file).catch(() => file);
  const before = await stat(target).catch(() => undefined);
  await withAside(target, async (aside) => {
    await writeFile(aside, content);
    if (before) await chmod(aside, before.mode);
    await rename(aside, target);
  });
}

/**
 * Writes a file that is not there yet, as `replaceFile` does.
 *
 * @throws Problem when there is another one
 */
export async function createFile(file: string, content: Buffer): Promise<void> {
  await withAside(file, async (aside) => {
    await writeFile(aside, content);
    try {
      await link(aside, file);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
      if (!content.equals(await readFile(file)))
        throw new Problem(
          `there is another ${file} already; rename it and try again; nothing was written over`,
        );
    }
  });
}
