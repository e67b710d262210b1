import { mkdir, readdir, readFile, realpath, stat } from "node:fs/promises";
import { basename, dirname, join, resolve } from "node:path";
import { readPage, referencesIn } from "lumbit/document";
import type { Continuation, Drawing } from "../import/drawing.ts";
import { intoPage } from "../import/into-page.ts";
import { makePage } from "../import/make-page.ts";
import { type Depths, type Made, titleOf, writeMade } from "../import/page-of.ts";
import { inOrder, readPictures } from "../import/pictures.ts";
import { readDrawing } from "../import/read-drawing.ts";
import { makeNewFolder } from "../new-folder.ts";
import { count, Problem } from "../problem.ts";
import { say } from "../progress.ts";
import { requireProject } from "../project.ts";
import { createFile, replaceFile } from "../write-file.ts";

interface Options extends Depths {
  output?: string;
  into?: string;
  group?: string;
  extend?: Continuation;
}

/** Makes a page of a drawing, or of pictures, and says what it is. */
export async function importDrawing(files: readonly string[], options: Options): Promise<void> {
  const { output, into } = options;
  if ((output === undefined) === (into === undefined))
    throw new Problem(
      "say -o with a folder for a new page, or --into with the page file that takes the drawing over",
    );
  say("reading the drawing");
  const drawing = await drawingOf(files, options.group);
  say("");
  const title = titleOf(files.length > 1 ? (output ?? "") : (files[0] ?? ""));
  const { made, notes } = await makePage(drawing, { ...options, title });
  const { width, height, layers } = drawing;
  const tell = () => notes.forEach((note) => void console.log(`note: ${note}`));
  if (into !== undefined) return takeOver(into, made, tell);
  const file = join(output ?? "", "page.json");
  await makeNewFolder(output ?? "", (folder) => writeMade(folder, made));
  tell();
  console.log(
    `${file}: ${count(layers.length, "layer")} of a drawing of ${width} x ${height} px. See it:  npx lumbit preview ${file}`,
  );
}

/** Takes a drawing over into a page file that was made of it before, and says what became of it. */
async function takeOver(file: string, made: Made, tell: () => void): Promise<void> {
  const { page, text, source, shared } = await requireProject(file);
  const changed = intoPage({ text, page, source, name: file }, made);
  const { faults } = readPage(changed.text, basename(file), shared);
  if (faults.length > 0)
    throw new Problem("the drawing does not fit into this page; nothing was written", faults);
  const folder = dirname(resolve(file));
  const own = new Set(referencesIn(page).map(({ path }) => path));
  if ((await readFile(file, "utf8")) !== text)
    throw new Problem(`${file} was changed meanwhile; nothing was written: import again`);
  // New ones first: where another file has the name of one, nothing has changed yet.
  const writing = [...changed.files].sort(([a], [b]) => Number(own.has(a)) - Number(own.has(b)));
  for (const [path, bytes] of writing) await writePicture(join(folder, path), folder, bytes, own.has(path));
  await replaceFile(file, changed.text);
  tell();
  for (const [what, names] of [
    ["taken over", changed.taken],
    ["new", changed.added],
    ["no longer in the drawing, and left as they are", changed.gone],
  ] as const)
    if (names.length > 0) console.log(`${what}: ${names.join(", ")}`);
}

/** Writes a picture of a page: over the page's own one, and over none that is not. */
async function writePicture(file: string, folder: string, bytes: Buffer, isOwn: boolean): Promise<void> {
  if (isOwn) return replaceFile(file, bytes);
  await mkdir(dirname(file), { recursive: true });
  if (!(await realpath(dirname(file))).startsWith(await realpath(folder)))
    throw new Problem(`${dirname(file)} is a link that leaves the page's folder; replace it by a folder`);
  await createFile(file, bytes);
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
    return readPictures(
      inOrder(new Map(await Promise.all(own.map(({ name }) => readNamed(join(file, name)))))),
      file,
    );
  }
  const [, bytes] = await readNamed(file);
  return readDrawing(file, bytes, group);
}

/** Larger than this nothing is read, in bytes. */
const largest = 500 * 1024 * 1024;

async function readNamed(file: string): Promise<[path: string, bytes: Buffer]> {
  const info = await stat(file).catch(() => undefined);
  if (!info?.isFile()) throw new Problem(`${file} is no file; name a drawing, pictures, or a folder of them`);
  if (info.size > largest) throw new Problem(`${file} is larger than 500 MB; import a smaller copy of it`);
  return [file, await readFile(file)];
}
