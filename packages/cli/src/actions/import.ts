import { readdir, readFile, stat } from "node:fs/promises";
import { basename, extname, join } from "node:path";
import type { Drawing } from "../import/drawing.ts";
import { readOpenRaster } from "../import/openraster.ts";
import { type Depths, pageOf } from "../import/page-of.ts";
import { readPictures } from "../import/pictures.ts";
import { readSvgDrawing } from "../import/svg-drawing.ts";
import { unzipped } from "../import/unzip.ts";
import { pageFolder } from "../page-folder.ts";
import { count, Problem } from "../problem.ts";
import { say } from "../progress.ts";

interface Options extends Depths {
  output: string;
  group?: string;
}

/** Makes a page of a drawing, or of pictures, and says what it is. */
export async function importDrawing(files: readonly string[], options: Options): Promise<void> {
  say("reading the drawing");
  const drawing = await drawingOf(files, options.group);
  say("");
  const { page, files: pictures } = await pageOf(drawing, titleOf(files[0] ?? ""), options);
  await pageFolder(options.output, `${JSON.stringify(page, null, 2)}\n`, pictures);
  const { width, height, layers, notes } = drawing;
  for (const note of notes) console.log(`note: ${note}`);
  const file = join(options.output, "page.json");
  console.log(
    `${file}: ${count(layers.length, "layer")} of a drawing of ${width} x ${height} px. See it:  npx lumbit preview ${file}`,
  );
}

/** What a page is called after its file: a word or some, with a capital. */
function titleOf(file: string): string {
  const words = basename(file, extname(file))
    .replace(/[-_.\s]+/g, " ")
    .trim();
  return words.charAt(0).toUpperCase() + words.slice(1) || "Drawing";
}

async function drawingOf(files: readonly string[], group: string | undefined): Promise<Drawing> {
  const [file = ""] = files;
  if (files.length > 1) return readPictures(new Map(await Promise.all(files.map(readNamed))), "these files");
  const info = await stat(file).catch(() => {
    throw new Problem(`there is no file ${file}; name a drawing, pictures, or a folder of them`);
  });
  if (info.isDirectory()) {
    const names = await readdir(file, { withFileTypes: true });
    const own = names.filter((entry) => entry.isFile() && !entry.name.startsWith("."));
    return readPictures(new Map(await Promise.all(own.map(({ name }) => readNamed(join(file, name))))), file);
  }
  const [, bytes] = await readNamed(file);
  const kind = extname(file).toLowerCase();
  if (kind === ".svg") return readSvgDrawing(bytes, file, group);
  if (kind === ".zip") return readPictures(unzipped(bytes, file), file);
  if (kind === ".ora" || bytes.subarray(0, 2).toString("latin1") === "PK") return readOpenRaster(bytes, file);
  return readPictures(new Map([[file, bytes]]), file);
}

/** Larger than this nothing is read, in bytes. */
const largest = 500 * 1024 * 1024;

async function readNamed(file: string): Promise<[path: string, bytes: Buffer]> {
  const info = await stat(file).catch(() => undefined);
  if (!info?.isFile()) throw new Problem(`${file} is no file; name a drawing, pictures, or a folder of them`);
  if (info.size > largest) throw new Problem(`${file} is larger than 500 MB; import a smaller copy of it`);
  return [file, await readFile(file)];
}
