import type { Size } from "../core/index.ts";

/** A picture as the site will hold it: its address from the page, and the size of its file in px. */
export interface Picture extends Size {
  url: string;
}

/** What the static output needs to know of the files that a page names. Keys are the paths in the page file. */
export interface Assets {
  pictures: Readonly<Record<string, Picture>>;
  /** Addresses of font files, from the style sheet. */
  fonts: Readonly<Record<string, string>>;
}
