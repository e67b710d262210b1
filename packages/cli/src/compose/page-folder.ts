import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import { basename, resolve } from "node:path";
import type { Assets } from "lumbit";
import { Problem } from "../problem.ts";
import { readProject } from "../project.ts";
import { replaceFile } from "../write-file.ts";

/** A page file as the composer gets it. */
export interface KeptPage {
  name: string;
  text: string;
  version: string;
  assets: Assets;
}

const versionOf = (text: string) => createHash("sha256").update(text).digest("hex").slice(0, 16);

/** The folder of a page file: all that the composer may read and write. */
export class PageFolder {
  readonly #file: string;
  #assets = new Map<string, Buffer>();
  /** Absolute paths of the page file and of all files that it names, when it was opened last. */
  files: readonly string[] = [];

  constructor(file: string) {
    this.#file = resolve(file);
  }

  /**
   * The page, with the files that it names below `address`. What of them is wrong the page's own faults say.
   *
   * @throws Problem when the page file cannot be read
   */
  async open(address: string): Promise<KeptPage> {
    const { pictures, fonts, files } = await readProject(this.#file);
    this.files = files;
    this.#assets = new Map([...pictures, ...fonts].map(({ path, bytes }) => [path, bytes]));
    const text = await readFile(this.#file, "utf8");
    const url = (path: string) => `${address}${path.split("/").map(encodeURIComponent).join("/")}`;
    return {
      name: basename(this.#file),
      text,
      version: versionOf(text),
      assets: {
        pictures: Object.fromEntries(
          pictures.map(({ path, width, height }) => [path, { url: url(path), width, height }]),
        ),
        fonts: Object.fromEntries(fonts.map(({ path }) => [path, url(path)])),
      },
    };
  }

  /**
   * Writes the page, if what is there is still of that version.
   *
   * @returns the new version; nothing when another program has written something else
   * @throws Problem when it cannot be written
   */
  async save(text: string, version: string): Promise<string | undefined> {
    const there = await readFile(this.#file, "utf8").catch(() => undefined);
    if (there === undefined)
      throw new Problem(
        `${basename(this.#file)} is not there any more, or may not be read; put it back to save`,
      );
    if (versionOf(there) !== version && there !== text) return undefined;
    try {
      await replaceFile(this.#file, text);
    } catch (error) {
      throw new Problem(
        `${basename(this.#file)} cannot be written: ${reasonOf(error as NodeJS.ErrnoException)}`,
      );
    }
    return versionOf(text);
  }

  /** A file that the page names, as it was when the page was opened last; nothing for any other. */
  asset = (path: string): Buffer | undefined => this.#assets.get(path);
}

function reasonOf({ code, message }: NodeJS.ErrnoException): string {
  if (code === "ENOSPC") return "the disk is full";
  if (code === "EACCES" || code === "EPERM" || code === "EROFS")
    return "it, or its folder, may not be written to";
  return message;
}
