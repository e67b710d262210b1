import { get } from "idb-keyval";
import type { SharedFile } from "lumbit/document";
import { nameOfShared } from "./archive.ts";

/** A page as it is kept in the browser: its text, apart from its files, which change seldom. */
export interface KeptText {
  text: string;
  version: string;
}

/** A file as it is kept: some browsers keep no blobs in windows that leave nothing behind. */
export interface KeptFile {
  type: string;
  bytes: ArrayBuffer;
}
export type KeptFiles = Readonly<Record<string, KeptFile>>;

export const textKey = (name: string) => `text ${name}`;
export const filesKey = (name: string) => `files ${name}`;

/** A page that is kept, by its name, with its files and the one that it shares with others. */
export async function storedPage(
  name: string,
): Promise<(KeptText & { files: KeptFiles; shared: SharedFile | undefined }) | undefined> {
  const [kept, files = {}] = await Promise.all([
    get<KeptText>(textKey(name)),
    get<KeptFiles>(filesKey(name)),
  ]);
  return kept && { ...kept, files, shared: sharedFile(nameOfShared(kept.text), files) };
}

/** One of the files of a page as the one that it shares with others. */
export function sharedFile(file: string | undefined, files: KeptFiles = {}): SharedFile | undefined {
  const kept = file === undefined ? undefined : files[file];
  return file !== undefined && kept ? { file, text: new TextDecoder().decode(kept.bytes) } : undefined;
}
