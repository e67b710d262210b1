import { expose } from "comlink";
import {
  defaultViewports,
  type Finding,
  judgePage,
  type KnownPicture,
  seenAt,
  viewportName,
  writtenFindings,
} from "lumbit/checks";
import type { Page, Viewport } from "lumbit/core";
import { readPage } from "lumbit/document";
import { naturalSizes, type PageFont } from "lumbit/text";
import { type KeptFile, type KeptFiles, storedPage } from "../storage.ts";
import { canvasFont } from "./canvas-font.ts";
import { detailIn, type Look, lookAt, withDeliveries } from "./pictures.ts";

/*
 * Judges pages of the storage in a thread of its own, with texts as this browser sets them.
 */

let asked = 0;
/** What was made of files, which come anew from the storage each time. */
const made = new Map<string, Promise<unknown>>();

const judge = {
  /**
   * What is wrong with a page on some screens, and on the usual ones too, with changes of its text that mend it;
   * `vectors` is what its vector drawings look like.
   *
   * @throws Error when the page is gone, has faults, or something else is asked for meanwhile
   */
  async findings(
    name: string,
    screens: readonly Viewport[],
    usual: boolean,
    vectors: ReadonlyMap<string, Look>,
  ): Promise<readonly Finding[]> {
    const own = ++asked;
    const kept = await storedPage(name);
    if (!kept) throw new Error(`there is no page "${name}" in this browser any more`);
    const { text, files, shared } = kept;
    const { page, source, references } = readPage(text, name, shared);
    if (!page) throw new Error("the page file has faults");
    const pathsOf = (of: string) => [
      ...new Set(references.filter(({ kind }) => kind === of).map(({ path }) => path)),
    ];
    const pictures = await picturesOf(pathsOf("picture"), files, vectors);
    const videos = new Map(pathsOf("video").map((path) => [path, files[path]?.bytes.byteLength ?? 0]));
    const fonts = await fontsOf(page, files);
    const sizes = [...screens, ...(usual ? defaultViewports : [])].map(({ width, height }) => ({
      width,
      height,
    }));
    const viewports = [...new Map(sizes.map((size) => [viewportName(size), size])).values()];
    const findings = await judgePage({
      page,
      viewports,
      pictures: withDeliveries(pictures, page),
      async see(page, pictures, viewport, before) {
        // What has come meanwhile is heard first.
        await new Promise((heard) => setTimeout(heard));
        if (own !== asked) throw new Error("something else is asked for");
        const sizes = [...pictures].map(([path, { width, height }]) => ({ path, width, height }));
        const { natural } = naturalSizes({ page, pictures: sizes, fonts });
        return seenAt({ page, natural, pictures, videos }, viewport, before);
      },
      // Whatever is known is of a file.
      detailOf: (path) => once("detail", files[path] as KeptFile, detailIn),
    });
    return writtenFindings(findings, source);
  },
  /** Gives up what was asked for. */
  stop() {
    asked++;
  },
};

export type Judge = typeof judge;

expose(judge);

/** What is known of picture files. */
async function picturesOf(
  paths: readonly string[],
  files: KeptFiles,
  vectors: ReadonlyMap<string, Look>,
): Promise<Map<string, KnownPicture>> {
  const looked = paths.map(async (path): Promise<[string, KnownPicture][]> => {
    const file = files[path];
    const look = vectors.get(path) ?? (file && (await once("look", file, lookAt)));
    return file && look ? [[path, { ...look, bytes: file.bytes.byteLength }]] : [];
  });
  return new Map((await Promise.all(looked)).flat());
}

/** The fonts of a page that this browser can read. */
async function fontsOf({ fonts = [] }: Page, files: KeptFiles): Promise<PageFont[]> {
  const read = fonts.map(async (face): Promise<PageFont[]> => {
    const { src: path } = face;
    const file = files[path];
    const font =
      file && (await once(`font ${JSON.stringify(face)}`, file, ({ bytes }) => canvasFont(face, bytes)));
    return font ? [{ path, font }] : [];
  });
  return (await Promise.all(read)).flat();
}

/** Makes something of a file, once for the same bytes. */
async function once<T>(what: string, file: KeptFile, make: (file: KeptFile) => Promise<T>): Promise<T> {
  const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", file.bytes));
  const key = `${what} ${digest.join()}`;
  const known = (made.get(key) as Promise<T> | undefined) ?? make(file);
  made.set(key, known);
  return known;
}
