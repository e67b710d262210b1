import { get, keys, set, update } from "idb-keyval";
import type { Assets } from "lumbit";
import { freeName } from "../edit/find.ts";
import { filesIn, type PageFiles } from "./archive.ts";
import type { Added, BeginWith, Home, Kept, Saved } from "./home.ts";
import type { judging } from "./judging/judging.ts";
import { sizeOf } from "./size.ts";
import {
  filesKey,
  type KeptFile,
  type KeptFiles,
  type KeptText,
  sharedFile,
  storedPage,
  textKey,
} from "./storage.ts";

const keptFile = async (blob: Blob): Promise<KeptFile> => ({
  type: blob.type,
  bytes: await blob.arrayBuffer(),
});

/** A file may be this large, in bytes. */
const mostFile = 50 * 1024 * 1024;

/** The browser's own storage: the composer without a server. */
export function browserHome(): Home {
  let name: string | undefined;
  const channel = new BroadcastChannel("lumbit pages");
  let judge: Promise<ReturnType<typeof judging>> | undefined;
  const names = async () =>
    (await keys<string>()).flatMap((key) => (key.startsWith("text ") ? [key.slice("text ".length)] : []));

  async function read(page: string): Promise<Kept> {
    const kept = await storedPage(page);
    if (!kept) throw new Error(`there is no page "${page}" in this browser any more`);
    name = page;
    const { text, version, shared, files } = kept;
    return { name: page, text, version, ...(shared && { shared }), ...(await assetsOf(files)) };
  }
  /** Keeps a page under a name that is free, and opens it. */
  async function make(stem: string, { text, files }: PageFiles): Promise<Kept> {
    const page = freeName(stem, await names());
    const kept = Object.entries(files).map(async ([path, blob]) => [path, await keptFile(blob)] as const);
    await set(filesKey(page), Object.fromEntries(await Promise.all(kept)));
    await set(textKey(page), { text, version: crypto.randomUUID() } satisfies KeptText);
    return read(page);
  }
  return {
    open: async () => ({ folder: "my page", pages: await names(), opensFiles: true }),
    async begin(how: BeginWith) {
      if (how.kind === "page") return read(how.name);
      if (how.kind === "files") return make("page", await filesIn(how.files));
      if (how.kind === "demo") return make("tidehouse", await demoFiles());
      if (how.kind !== "empty") throw new Error("this is done by lumbit compose");
      const scenes = [{ name: "first", height: "130vh", layers: [] }];
      const page = { format: "lumbit/1", title: how.title, lang: "en", scenes };
      return make("page", { text: `${JSON.stringify(page, null, 2)}\n`, files: {} });
    },
    async save(text, version): Promise<Saved> {
      const page = String(name);
      const next = crypto.randomUUID();
      let other = false;
      // In one transaction, so that of two windows one is told of the other.
      await update<KeptText>(textKey(page), (there) => {
        other = there !== undefined && there.version !== version && there.text !== text;
        return other && there ? there : { text, version: next };
      });
      if (other) return { other: await read(page) };
      channel.postMessage(page);
      return { version: next };
    },
    async add(file): Promise<Added> {
      if (file.size > mostFile) throw new Error(`"${file.name}" is larger than 50 MB; make it smaller`);
      const isFont = /\.(woff2?|ttf|otf)$/i.test(file.name);
      const size = isFont ? undefined : await sizeOf(file);
      if (!isFont && !size)
        throw new Error(
          `"${file.name}" is no picture; take a WebP, AVIF, PNG, JPEG, GIF or SVG file, or a film`,
        );
      let path = "";
      const kept = await keptFile(file);
      await update<KeptFiles>(filesKey(String(name)), (files = {}) => {
        path = freePath(isFont ? "fonts" : "art", file.name, files);
        return { ...files, [path]: kept };
      });
      const url = URL.createObjectURL(file);
      return size ? { path, picture: { url, ...size }, blob: file } : { path, font: url, blob: file };
    },
    shared: async (file) => sharedFile(file, await get<KeptFiles>(filesKey(String(name)))),
    async findings(...asked) {
      judge ??= import("./judging/judging.ts").then(({ judging }) => judging());
      return (await judge)(String(name), ...asked);
    },
    watch(changed, reached) {
      reached(true);
      const listener = ({ data }: MessageEvent<string>) => {
        if (data === name) void read(data).then(changed);
      };
      channel.addEventListener("message", listener);
      return () => channel.removeEventListener("message", listener);
    },
  };
}

/** Where files of the storage are for this window, and the files themselves for its stages. */
async function assetsOf(kept: KeptFiles): Promise<Pick<Kept, "assets" | "blobs">> {
  const files = Object.fromEntries(
    Object.entries(kept).map(([path, { type, bytes }]) => [path, new Blob([bytes], { type })]),
  );
  const pictures: Record<string, Assets["pictures"][string]> = {};
  const fonts: Record<string, string> = {};
  await Promise.all(
    Object.entries(files).map(async ([path, blob]) => {
      const url = URL.createObjectURL(blob);
      if (/\.(woff2?|ttf|otf)$/i.test(path)) fonts[path] = url;
      const size = await sizeOf(blob);
      if (size) pictures[path] = { url, ...size };
    }),
  );
  return { assets: { pictures, fonts }, blobs: files };
}

function freePath(folder: string, file: string, taken: KeptFiles): string {
  const [, stem = "file", written = ""] = /^(.*?)(\.\w+)?$/.exec(file) ?? [];
  const ending = written.toLowerCase();
  const clean =
    stem
      .normalize("NFC")
      .replace(/[^\p{L}\p{N}_-]+/gu, "-")
      .replace(/^-+|-+$/g, "") || "file";
  const free = freeName(
    clean,
    Object.keys(taken).flatMap((path) =>
      path.startsWith(`${folder}/`) && path.endsWith(ending)
        ? [path.slice(folder.length + 1, path.length - ending.length)]
        : [],
    ),
  );
  return `${folder}/${free}${ending}`;
}

/** The demo, which lies beside the app. */
async function demoFiles(): Promise<PageFiles> {
  const paths = (await (await fetch("./demo/files.json")).json()) as string[];
  const blobs = await Promise.all(
    paths.map(async (path) => [path, await (await fetch(`./demo/${path}`)).blob()] as const),
  );
  const { "page.json": page, ...files } = Object.fromEntries(blobs);
  return { text: (await page?.text()) ?? "", files };
}
