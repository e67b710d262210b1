import type { Assets } from "lumbit";
import type { Finding } from "lumbit/checks";
import type { Scene, Viewport } from "lumbit/core";
import type { SharedFile } from "lumbit/document";

type Picture = Assets["pictures"][string];

/** A page file as it is kept. */
export interface Kept {
  /** Its name, for people. */
  name: string;
  text: string;
  /** Changes whenever the text does. */
  version: string;
  /** Where the files are that it names. */
  assets: Assets;
  /** What is wrong with files that it names, in words. */
  missing?: readonly string[];
  /** What could not be brought along from where it came from, in words. */
  notes?: readonly string[];
  /** Files that have no address that a stage could reach, by their paths. */
  blobs?: Blobs;
  /** The file that it shares with other pages. */
  shared?: SharedFile;
}

export type Blobs = Readonly<Record<string, Blob>>;

/** What came of saving: the new version, or what another program has written meanwhile. */
export type Saved = { version: string } | { other: Kept };

/** A file that was copied into a home: a picture with where it is from now on, or a font. */
export interface Added {
  /** As the page file calls it. */
  path: string;
  picture?: Picture;
  /** The address of a font. */
  font?: string;
  /** The file itself, where a stage cannot reach its address. */
  blob?: Blob;
}

/** A scene that was made of a drawing, its files, and what could not be brought along, in words. */
export interface DrawnScene {
  scene: Scene;
  added: Added[];
  notes: readonly string[];
}

/** A home in which no page is open yet: what it is called, and the pages that are there. */
export interface Beginning {
  folder: string;
  pages: readonly string[];
  /** Pages that do one thing of the trade, to begin with. */
  recipes?: readonly { name: string; title: string }[];
  /** Whether drawings can be taken apart here. */
  takesDrawings?: true;
  /** Whether a page can be brought here that was taken away elsewhere. */
  opensFiles?: true;
}

/** How a page begins. */
export type BeginWith =
  | { kind: "empty"; title: string }
  | { kind: "demo" }
  | { kind: "recipe"; name: string }
  /** A drawing in layers, each of which becomes a layer of a scene. */
  | { kind: "drawing"; file: File }
  | { kind: "page"; name: string }
  /** A page that was taken away: a zip of it, or the files of its folder. */
  | { kind: "files"; files: readonly File[] };

/** Where a page is kept. */
export interface Home {
  open(): Promise<Kept | Beginning>;
  /** Begins with a page that is not open yet. */
  begin(how: BeginWith): Promise<Kept>;
  /** Writes the text, if what is there is still of this version. */
  save(text: string, version: string): Promise<Saved>;
  /**
   * Copies a picture or font there, under a name that is free.
   *
   * @throws Error that says why, when it is neither, or too large
   */
  add(file: File): Promise<Added>;
  /**
   * Makes a scene of a drawing in layers, with its pictures copied there; only where drawings can be taken apart.
   *
   * @throws Error that says why, when it cannot be read
   */
  addDrawing?(file: File): Promise<DrawnScene>;
  /** A file beside the page that it may share with others, by its name; nothing where there is none. */
  shared(name: string): Promise<SharedFile | undefined>;
  /**
   * What is wrong with the page as it is kept, on some screens, and on the usual ones too; only where it can be judged.
   *
   * @throws Error that says why it cannot
   */
  findings?(screens: readonly Viewport[], usual: boolean, signal: AbortSignal): Promise<readonly Finding[]>;
  /**
   * Calls back when another program has changed the page, when the home can or cannot be reached, and when the page is
   * not to be had any more, with why.
   */
  watch(
    changed: (kept: Kept) => void,
    reached: (reached: boolean) => void,
    lost: (why: string) => void,
  ): () => void;
}
