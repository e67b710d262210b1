import { type Unzipped, unzipSync, zipSync } from "fflate";

/** A page file with the files that it names, by their paths. */
export interface PageFiles {
  text: string;
  files: Record<string, Blob>;
}

/** What of an archive is taken in at most: files, and bytes of each and of all. */
const most = { files: 2000, bytes: 50 * 1024 * 1024, allBytes: 300 * 1024 * 1024 };

const types: Readonly<Record<string, string>> = {
  ...{ svg: "image/svg+xml", webp: "image/webp", avif: "image/avif", png: "image/png" },
  ...{ webm: "video/webm", mp4: "video/mp4", m4v: "video/mp4", mov: "video/quicktime" },
  ...{ jpg: "image/jpeg", jpeg: "image/jpeg", gif: "image/gif" },
  ...{ woff2: "font/woff2", woff: "font/woff", ttf: "font/ttf", otf: "font/otf" },
};

/**
 * A page out of a zip or the files of a folder: its page file, and what lies beside and below it.
 *
 * @throws Error when there is no page file in it, or too much
 */
export async function filesIn(files: readonly File[]): Promise<PageFiles> {
  const [first] = files;
  const entries =
    first && files.length === 1 && /\.zip$/i.test(first.name)
      ? await unzipped(first)
      : Object.fromEntries(
          await Promise.all(
            files.map(
              async (file) =>
                [file.webkitRelativePath || file.name, new Uint8Array(await file.arrayBuffer())] as const,
            ),
          ),
        );
  const ofOurs = Object.keys(entries).filter(
    (path) => path.endsWith(".json") && textOf(entries[path]).includes('"lumbit/1"'),
  );
  const folderOf = (path: string) => path.slice(0, path.lastIndexOf("/") + 1);
  const shares = new Set(ofOurs.map((path) => folderOf(path) + nameOfShared(textOf(entries[path]))));
  const pages = ofOurs.filter((path) => !shares.has(path));
  const [page] = pages.toSorted((a, b) => a.split("/").length - b.split("/").length || a.localeCompare(b));
  if (page === undefined) throw new Error("there is no page file in it: a .json file that says lumbit/1");
  const home = folderOf(page);
  const text = textOf(entries[page]);
  const shared = nameOfShared(text);
  const own: Record<string, Blob> = {};
  for (const [path, bytes] of Object.entries(entries)) {
    const name = path.slice(home.length);
    const type = name === shared ? "application/json" : types[path.split(".").at(-1)?.toLowerCase() ?? ""];
    if (type && path.startsWith(home) && isInside(name))
      own[name] = new Blob([Uint8Array.from(bytes)], { type });
  }
  return { text, files: own };
}

/** The name of the file that a page shares with others, where its text can be read. */
export function nameOfShared(text: string): string | undefined {
  try {
    const { shared } = Object(JSON.parse(text));
    return typeof shared === "string" ? shared : undefined;
  } catch {
    return undefined;
  }
}

/** A page with its files as a zip. Nothing is done in workers, which a strict policy refuses. */
export function zipOf(name: string, text: string, files: Readonly<Record<string, Uint8Array>>): Blob {
  const page = name.endsWith(".json") ? name : `${name}.json`;
  const bytes = zipSync({ [page]: new TextEncoder().encode(text), ...files });
  return new Blob([Uint8Array.from(bytes)], { type: "application/zip" });
}

async function unzipped(file: File): Promise<Unzipped> {
  let [count, all] = [0, 0];
  const bytes = new Uint8Array(await file.arrayBuffer());
  const tooMuch = new Error(
    `"${file.name}" holds too much: at most 2,000 files, 50 MB each and 300 MB together`,
  );
  try {
    return unzipSync(bytes, {
      filter({ name, originalSize }) {
        count++;
        all += originalSize;
        if (count > most.files || originalSize > most.bytes || all > most.allBytes) throw tooMuch;
        return !name.endsWith("/");
      },
    });
  } catch (error) {
    throw error === tooMuch ? error : new Error(`"${file.name}" cannot be read as a zip`);
  }
}

const textOf = (bytes: Uint8Array | undefined): string => new TextDecoder().decode(bytes);

/** Whether a path stays in its folder. */
const isInside = (path: string): boolean =>
  path !== "" && !path.startsWith("/") && !path.split(/[/\\]/).includes("..");
