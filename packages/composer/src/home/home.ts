import type { Assets } from "lumbit";

/** A page file as it is kept. */
export interface Kept {
  /** Its name, for people. */
  name: string;
  text: string;
  /** Changes whenever the text does. */
  version: string;
  /** Where the files are that it names. */
  assets: Assets;
}

/** What came of saving: the new version, or what another program has written meanwhile. */
export type Saved = { version: string } | { other: Kept };

/** Where a page is kept. */
export interface Home {
  open(): Promise<Kept>;
  /** Writes the text, if what is there is still of this version. */
  save(text: string, version: string): Promise<Saved>;
  /** Calls back when another program has changed the page, and when the home can or cannot be reached. */
  watch(changed: (kept: Kept) => void, reached: (reached: boolean) => void): () => void;
}
