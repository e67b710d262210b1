import type { ImageLayer, Size, TextLayer } from "../core/index.ts";

/** A picture as the site will hold it: its address from the page, and the size of its file in px. */
export interface Picture extends Size {
  url: string;
  /** The same picture in other kinds and widths, the kind that a browser takes first before the others. */
  sources?: readonly PictureSource[];
  /** A CSS gradient of its colors, which stands there until it is loaded; only of one without transparent parts. */
  placeholder?: string;
}

/** A picture in one kind: its media type, and files with their widths in px. */
export interface PictureSource {
  type: string;
  files: readonly { url: string; width: number }[];
}

/** How wide the files of pictures are drawn, as the attribute `sizes` says it. */
export interface DrawnSizes {
  sizes(layer: ImageLayer): string;
  backdrop?: { sizes: string };
}

/** A font with fonts of the reader that are scaled to its letters, so that the layout stays when it arrives. */
export interface FontStack {
  /** The families, the font itself first. */
  fontFamily: string;
  /** The `@font-face` rules of the others, as CSS text. */
  fontFaces: string;
}

/** What the static output needs to know of the files that a page names. Keys are the paths in the page file. */
export interface Assets {
  /** Pictures and films. */
  pictures: Readonly<Record<string, Picture>>;
  /** What markup files hold, as HTML that may stand in the page. */
  markup?: Readonly<Record<string, string>>;
  /** Addresses of font files, from the style sheet. */
  fonts: Readonly<Record<string, string>>;
  /** By font family, what stands in for it until it is loaded. */
  fontStacks?: Readonly<Record<string, FontStack>>;
  /**
   * How wide the widest line of a text is, in font sizes, with its letters at their largest optical size: what a text
   * that is fitted to a width needs. Half a font size a letter where this is missing.
   */
  ems?: (text: TextLayer) => number;
  /** How wide pictures with sources are drawn. */
  drawn?: DrawnSizes;
}

/** What is known of a file by its path, which may be any word. */
export const fileAt = <File>(files: Readonly<Record<string, File>>, path: string): File | undefined =>
  Object.hasOwn(files, path) ? files[path] : undefined;
