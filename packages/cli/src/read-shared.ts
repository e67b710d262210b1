import { type SharedFile, sharedIn } from "lumbit/document";
import { readInside } from "./read-inside.ts";

/** The file that the text of a page file shares with others, as far as it can be read. */
export async function readShared(text: string, folder: string): Promise<SharedFile | undefined> {
  const file = sharedIn(text);
  const bytes = file === undefined ? undefined : await readInside(file, folder);
  return file !== undefined && Buffer.isBuffer(bytes) ? { file, text: bytes.toString("utf8") } : undefined;
}
