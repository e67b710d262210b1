import { randomBytes } from "node:crypto";
import { link, readFile, rename, rm, writeFile } from "node:fs/promises";
import { Problem } from "./problem.ts";

/** Writes a file: beside its place first, then into it, so that nobody meets half of it. */
export const replaceFile = (file: string, content: string | Buffer): Promise<void> =>
  written(file, content, (aside) => rename(aside, file));

/**
 * Writes a file that is not there yet, as `replaceFile` does.
 *
 * @throws Problem when there is another one
 */
export async function createFile(file: string, content: Buffer): Promise<void> {
  await written(file, content, async (aside) => {
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

async function written(
  file: string,
  content: string | Buffer,
  place: (aside: string) => Promise<void>,
): Promise<void> {
  const aside = `${file}.lumbit-${randomBytes(4).toString("hex")}`;
  try {
    await writeFile(aside, content);
    await place(aside);
  } finally {
    await rm(aside, { force: true });
  }
}
