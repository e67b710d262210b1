import { dequal } from "dequal/lite";
import type { Page } from "lumbit/core";
import { formatFault, type Reading, readPage, type SharedFile, sharedIn } from "lumbit/document";
import type { Home, Kept } from "../home/home.ts";

/** Reads texts of a page file, with the files that they share with other pages. */
export interface Reader {
  read(text: string): Reading;
  /** The file that a text shares with others, where it is known. */
  sharedBy(text: string): SharedFile | undefined;
  /** Gets to know the file that a text shares with others. */
  know(text: string): Promise<void>;
  /** Takes note of a shared file as it is now; whether it was another one before. */
  learn(shared: SharedFile | undefined): boolean;
  /** What keeps a text from being that of a page, in words; nothing where it is. */
  wrongWith(text: string, page: Page): string | undefined;
}

export function createReader(home: Home, { name }: Kept): Reader {
  const known = new Map<string, SharedFile>();
  const reader: Reader = {
    read: (text) => readPage(text, name, reader.sharedBy(text)),
    sharedBy: (text) => known.get(sharedIn(text) ?? ""),
    async know(text) {
      const file = sharedIn(text);
      if (file !== undefined && !known.has(file))
        reader.learn(await home.shared(file).catch(() => undefined));
    },
    learn(shared) {
      if (!shared) return false;
      const before = known.get(shared.file);
      known.set(shared.file, shared);
      return before !== undefined && before.text !== shared.text;
    },
    wrongWith(text, page) {
      const { page: comes, faults } = reader.read(text);
      if (!comes) return formatFault(faults[0]);
      const shared = reader.sharedBy(text);
      return shared && !dequal(comes, page)
        ? `this comes from ${shared.file}, which other pages share; take it away there, or give this page its own instead`
        : undefined;
    },
  };
  return reader;
}
