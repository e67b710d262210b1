import { createHash } from "node:crypto";
import { mkdir, readFile } from "node:fs/promises";
import { basename, dirname, extname, join, posix, resolve } from "node:path";
import type { Assets } from "lumbit";
import { type Reference, referencesIn, type SharedFile, sharedIn } from "lumbit/document";
import { readPicture } from "../picture/read-picture.ts";
import { readVideo } from "../picture/read-video.ts";
import { Problem } from "../problem.ts";
import { readInside } from "../read-inside.ts";
import { readMarkup, wrongInLink } from "../read-markup.ts";
import { readShared } from "../read-shared.ts";
import { createFile, replaceFile } from "../write-file.ts";

/** A page file as the composer gets it. */
export interface KeptPage {
  name: string;
  text: string;
  version: string;
  assets: Assets;
  /** What is wrong with files that it names. */
  missing: string[];
  /** The file that it shares with other pages. */
  shared?: SharedFile;
}

/** A file that was copied into the folder: a picture, or a font. */
export interface AddedFile {
  path: string;
  picture?: Assets["pictures"][string];
  font?: string;
}

/** A page file may be this large, in letters. */
const mostText = 10 * 1024 * 1024;

/** Every file that a page and what it shares name, by what they are named as, as far as their texts can be read. */
function filesNamedIn(
  text: string,
  shared: SharedFile | undefined,
): {
  named: Map<string, Reference>;
  trusted: ReadonlySet<unknown>;
} {
  const [page, theirs] = [text, shared?.text ?? ""].map(objectIn);
  const trusted = page?.trusted ?? theirs?.trusted;
  const references = referencesIn([theirs, page]);
  return {
    // What stands in a link anywhere counts.
    named: new Map(
      references
        .toSorted((a, b) => Number(a.linked ?? 0) - Number(b.linked ?? 0))
        .map((one) => [one.path, one]),
    ),
    trusted: new Set(Array.isArray(trusted) ? trusted : []),
  };
}

/** An object as JSON has it; what is none names nothing, and the composer says what is wrong. */
function objectIn(json: string): Record<string, unknown> | undefined {
  try {
    return Object(JSON.parse(json));
  } catch {
    return undefined;
  }
}

const urlIn = (address: string, path: string) =>
  `${address}${path.split("/").map(encodeURIComponent).join("/")}`;

const isVideo = (path: string) => /\.(webm|mp4|m4v|mov)$/i.test(path);
/** The size of a picture or a film, or what is wrong with it. */
const sizeOf = (path: string, bytes: Buffer) =>
  isVideo(path) ? readVideo(path, bytes) : readPicture(path, bytes);

const isFont = (path: string) => /\.(woff2?|ttf|otf)$/i.test(path);

const versionOf = (text: string) => createHash("sha256").update(text).digest("hex").slice(0, 16);

/** The folder of a page file: all that the composer may read and write. */
export class PageFolder {
  /** The absolute path of the page file. */
  readonly file: string;
  #assets = new Map<string, Buffer>();
  /** Absolute paths of the page file and of all files that it names, when it was opened last. */
  files: readonly string[] = [];

  constructor(file: string) {
    this.file = resolve(file);
  }

  #gone(): string {
    return `${basename(this.file)} is not there any more, or may not be read; put it back to save`;
  }

  /**
   * The page, with the files that it names below `address`. Whether it is one the composer judges; what of its files is
   * wrong is said.
   *
   * @throws Problem when the page file cannot be read
   */
  async open(address: string): Promise<KeptPage> {
    const text = await readFile(this.file, "utf8").catch((error: NodeJS.ErrnoException) => {
      const { code } = error;
      // Where it was open before, somebody took it away.
      if (code === "ENOENT" && this.files.length > 0) throw new Problem(this.#gone());
      throw new Problem(
        code === "ENOENT"
          ? `there is no file ${this.file}; name a page file, or begin one with "lumbit compose"`
          : `${this.file} cannot be read: ${reasonOf(error)}`,
      );
    });
    if (text.length > mostText)
      throw new Problem(
        `${this.file} is larger than 10 MB; a page file holds text, pictures stay in files of their own`,
      );
    const folder = dirname(this.file);
    const shared = await readShared(text, folder);
    const { named, trusted } = filesNamedIn(text, shared);
    const all = [sharedIn(text) ?? [], ...named.keys()].flat();
    this.files = [this.file, ...all.map((path) => resolve(folder, path))];
    const assets: Record<"pictures", Record<string, Assets["pictures"][string]>> &
      Record<"fonts" | "markup", Record<string, string>> = {
      ...{ pictures: {}, fonts: {}, markup: {} },
    };
    const missing: string[] = [];
    await Promise.all(
      [...named].map(async ([path, reference]) => {
        const bytes = await readInside(path, folder);
        if (typeof bytes === "string") return void missing.push(bytes);
        const url = urlIn(address, path);
        if (isFont(path)) assets.fonts[path] = url;
        else if (reference.kind === "markup") {
          const markup = await readMarkup(path, bytes.toString("utf8"), trusted.has(path));
          if (typeof markup === "string") return void missing.push(markup);
          const wrong = wrongInLink(markup, reference);
          if (wrong !== undefined) return void missing.push(wrong);
          assets.markup[path] = markup.html;
          // Nobody is to open it by itself, on the composer's own address.
          return;
        } else {
          const picture = await sizeOf(path, bytes);
          if (typeof picture === "string") return void missing.push(picture);
          assets.pictures[path] = { url, width: picture.width, height: picture.height };
        }
        // Files that were added stay, though the page may not name them just now: undone is not gone.
        this.#assets.set(path, bytes);
      }),
    );
    return {
      ...{ name: basename(this.file), text, version: versionOf(text), missing: missing.sort(), assets },
      ...(shared && { shared }),
    };
  }

  /** A file beside the page that it is going to share with others, by its name; nothing where there is none. */
  async shared(name: string): Promise<SharedFile | undefined> {
    const folder = dirname(this.file);
    const shared = await readShared(JSON.stringify({ shared: name }), folder);
    if (shared) this.files = [...this.files, resolve(folder, name)];
    return shared;
  }

  /**
   * Writes the page, if what is there is still of that version.
   *
   * @returns the new version; nothing when another program has written something else
   * @throws Problem when it cannot be written
   */
  async save(text: string, version: string): Promise<string | undefined> {
    const there = await readFile(this.file, "utf8").catch(() => undefined);
    if (there === undefined) throw new Problem(this.#gone());
    if (versionOf(there) !== version && there !== text) return undefined;
    try {
      await replaceFile(this.file, text);
    } catch (error) {
      throw new Problem(
        `${basename(this.file)} cannot be written: ${reasonOf(error as NodeJS.ErrnoException)}`,
      );
    }
    return versionOf(text);
  }

  /**
   * Copies a picture, a film or a font into the folder, under a name that is free, beside those that the page has.
   *
   * @returns as the composer gets it, below `address`
   * @throws Problem when it is none, or cannot be written
   */
  async add(name: string, bytes: Buffer, address: string): Promise<AddedFile> {
    const read = await sizeOf(name, bytes);
    const picture = typeof read === "string" ? undefined : read;
    if (!picture && !(isFont(name) && (await (await import("../font.ts")).Font.open(bytes))))
      throw new Problem(String(read));
    const ending = picture?.extension ?? extname(name).slice(1).toLowerCase();
    const stem = basename(name, extname(name))
      .normalize("NFC")
      .replace(/[^\p{L}\p{N}_-]+/gu, "-")
      .replace(/^-+|-+$/g, "");
    const beside = [...this.#assets.keys()].find((path) => isFont(path) === !picture);
    const folder = beside ? posix.dirname(beside) : picture ? "art" : "fonts";
    const path = await this.#free(folder, stem || "picture", ending, bytes);
    this.#assets.set(path, bytes);
    const url = urlIn(address, path);
    return picture
      ? { path, picture: { url, width: picture.width, height: picture.height } }
      : { path, font: url };
  }

  /** Writes a file under the first name with a number that no other file has. */
  async #free(folder: string, stem: string, ending: string, bytes: Buffer): Promise<string> {
    const home = join(dirname(this.file), folder);
    try {
      await mkdir(home, { recursive: true });
      for (let number = 1; ; number++) {
        const path = posix.join(folder, `${stem}${number === 1 ? "" : `-${number}`}.${ending}`);
        const file = join(dirname(this.file), path);
        const there = await readFile(file).catch(() => undefined);
        if (there?.equals(bytes)) return path;
        if (there) continue;
        await createFile(file, bytes);
        return path;
      }
    } catch (error) {
      throw new Problem(`"${stem}.${ending}" cannot be written: ${reasonOf(error as NodeJS.ErrnoException)}`);
    }
  }

  /** A file that the page names, as it was when the page was opened last; nothing for any other. */
  asset = (path: string): Buffer | undefined => this.#assets.get(path);
}

function reasonOf({ code, message }: NodeJS.ErrnoException): string {
  if (code === "ENOSPC" || code === "EDQUOT" || code === "EFBIG") return "the disk is full";
  if (code === "EACCES" || code === "EPERM" || code === "EROFS")
    return "it, or its folder, may not be written to";
  return message;
}
