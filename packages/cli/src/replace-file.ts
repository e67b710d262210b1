import { randomBytes } from "node:crypto";
import { rename, rm, writeFile } from "node:fs/promises";

/** Writes a file: beside its place first, then into it, so that nobody meets half of it. */
export async function replaceFile(file: string, content: string | Buffer): Promise<void> {
  const aside = `${file}.lumbit-${randomBytes(4).toString("hex")}`;
  try {
    await writeFile(aside, content);
    await rename(aside, file);
  } finally {
    await rm(aside, { force: true });
  }
}
