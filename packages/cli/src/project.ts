import { readFile, stat } from "node:fs/promises";
import { basename, dirname, resolve } from "node:path";
import type { AnyLayer, Page, Size } from "lumbit/core";
import {
  type Fault,
  inOrder,
  type Path,
  pointer,
  type Reference,
  readPage,
  type SharedFile,
  type Source,
  sharedIn,
} from "lumbit/document";
import { isGroup, isText } from "lumbit/internal";
import { Font } from "./font.ts";
import { readPicture } from "./picture/read-picture.ts";
import { readVideo } from "./picture/read-video.ts";
import { Problem } from "./problem.ts";
import { say } from "./progress.ts";
import { readInside } from "./read-inside.ts";
import { type Markup, readMarkup, wrongInLink } from "./read-markup.ts";
import { readShared } from "./read-shared.ts";

/** A file that the page names, read. */
export interface Asset {
  /** The path in the page file. */
  path: string;
  bytes: Buffer;
}
export interface PictureAsset extends Asset, Size {
  /** The ending of files of its kind: what it is, whatever its name says. */
  extension: string;
}
export interface FontAsset extends Asset {
  font: Font;
}

export interface MarkupAsset extends Markup {
  /** The path in the page file. */
  path: string;
}

/** A page file with everything that it names, all of it sound. */
export interface Project {
  file: string;
  /** The page file as it was read. */
  text: string;
  /** The file that it shares with other pages. */
  shared?: SharedFile;
  page: Page;
  pictures: PictureAsset[];
  fonts: FontAsset[];
  /** Films, with the sizes of their frames. */
  videos: PictureAsset[];
  /** Pieces of markup, as they may stand in the page. */
  markup: MarkupAsset[];
  /** Where in the file every value stands. */
  source: Source;
}

/** What was read of a project: the project or its faults, and in both cases the files that decide about it. */
export interface ProjectReading {
  project?: Project;
  faults: Fault[];
  /** Those of its files that are sound. */
  pictures: PictureAsset[];
  fonts: FontAsset[];
  /** Absolute paths of the page file and all files that it names, there or not. */
  files: string[];
}

const maxPageBytes = 10 * 1024 * 1024;

/**
 * Reads a page file and the files that it names.
 *
 * @throws Problem when the page file itself cannot be read
 */
export async function readProject(file: string): Promise<ProjectReading> {
  const name = basename(file);
  const { size } = await stat(file).catch(() => {
    throw new Problem(`there is no file ${file}; name a page file, or make a page with "lumbit new"`);
  });
  if (size > maxPageBytes)
    throw new Problem(
      `${file} is larger than 10 MB; a page file holds text, pictures stay in files of their own`,
    );
  const text = await readFile(file, "utf8");
  const folder = dirname(resolve(file));
  const shared = await readShared(text, folder);
  const { page, source, references, faults: own } = readPage(text, name, shared);
  const named = [sharedIn(text) ?? [], references.map(({ path }) => path)].flat();
  const files = [resolve(file), ...named.map((path) => resolve(folder, path))];
  const read = new Map<string, Promise<PictureAsset | FontAsset | MarkupAsset | string>>();
  const trusted = new Set(page?.trusted);
  for (const reference of references)
    if (!read.has(keyOf(reference))) read.set(keyOf(reference), readAsset(reference, folder, trusted));
  const faults: Fault[] = [...own];
  for (const reference of references) {
    const { at } = reference;
    const asset = await read.get(keyOf(reference));
    const wrong =
      typeof asset === "string"
        ? asset
        : asset && "html" in asset
          ? wrongInLink(asset, reference)
          : undefined;
    if (wrong !== undefined && !own.some((fault) => fault.path === pointer(at)))
      faults.push(source.fault(at, wrong));
  }
  const assets = (await Promise.all(read.values())).filter((asset) => typeof asset === "object");
  const fonts = assets.filter((asset): asset is FontAsset => "font" in asset);
  const markup = assets.filter((asset): asset is MarkupAsset => "html" in asset);
  const sized = assets.filter((asset): asset is PictureAsset => "width" in asset);
  const films = new Set(references.flatMap(({ kind, path }) => (kind === "video" ? [path] : [])));
  const pictures = sized.filter(({ path }) => !films.has(path));
  const videos = sized.filter(({ path }) => films.has(path));
  if (page) for (const { at, message } of missingAxes(page, fonts)) faults.push(source.fault(at, message));
  const sound = page && faults.length === 0;
  return {
    ...(sound && {
      project: { file, text, ...(shared && { shared }), page, pictures, fonts, videos, markup, source },
    }),
    ...{ faults: faults.sort(inOrder), pictures, fonts, files },
  };
}

/** A file that is named as a picture and as a font is read as both. */
const keyOf = ({ kind, path }: Reference) => `${kind} ${path}`;

/**
 * The project of a page file.
 *
 * @throws Problem with every fault when there are any
 */
export async function requireProject(file: string): Promise<Project> {
  say("reading the page and its files");
  const { project, faults } = await readProject(file);
  say("");
  if (project) return project;
  throw new Problem(faultSummary(faults), faults);
}

export const faultSummary = (faults: readonly Fault[]): string =>
  `${faults.length === 1 ? "1 fault" : `${faults.length} faults`} in the page file; nothing was written`;

/** Ramps of a font axis that the text's own font does not have. */
function missingAxes(page: Page, fonts: readonly FontAsset[]): { at: Path; message: string }[] {
  const check = (layers: readonly AnyLayer[], path: Path): { at: Path; message: string }[] =>
    layers.flatMap((layer, index) => {
      const at = [...path, index];
      if (isGroup(layer)) return check(layer.layers, [...at, "layers"]);
      if (!isText(layer)) return [];
      return [
        { settings: layer, at },
        ...(layer.rules ?? []).map((rule, index) => ({ settings: rule, at: [...at, "rules", index] })),
      ].flatMap(({ settings, at }) => {
        const families = settings.fontFamily ?? layer.fontFamily ?? page.page?.fontFamily ?? "";
        const family = (families.split(",")[0] ?? "").trim().replace(/^["']|["']$/g, "");
        const own = fonts.filter(({ path }) =>
          page.fonts?.some((face) => face.family === family && face.src === path),
        );
        return (settings.ramps ?? []).flatMap((ramp, index) => {
          const axis =
            ramp.property === "fontWeight" ? "wght" : ramp.property === "axis" ? ramp.axis : undefined;
          if (!axis || own.length === 0 || own.some(({ font }) => font.axes.includes(axis))) return [];
          const axes = own.flatMap(({ font }) => font.axes);
          const message = `the font ${family} has no axis "${axis}" (${axes.length > 0 ? `it has ${axes.join(", ")}` : "it is not a variable font"}); ship a font that has it, or ramp something else`;
          return [{ at: [...at, "ramps", index, "property"], message }];
        });
      });
    });
  return page.scenes.flatMap(({ layers }, index) => check(layers, ["scenes", index, "layers"]));
}

/** The asset, or what is wrong with it. */
async function readAsset(
  { path, kind }: Reference,
  folder: string,
  trusted: ReadonlySet<string>,
): Promise<PictureAsset | FontAsset | MarkupAsset | string> {
  const bytes = await readInside(path, folder);
  if (typeof bytes === "string") return bytes;
  if (kind === "font") {
    const font = await Font.open(bytes);
    return font ? { path, bytes, font } : `"${path}" is no font; name a .woff2, .woff, .ttf or .otf file`;
  }
  if (kind === "markup") {
    const markup = await readMarkup(path, bytes.toString("utf8"), trusted.has(path));
    return typeof markup === "string" ? markup : { path, ...markup };
  }
  const picture = await (kind === "video" ? readVideo(path, bytes) : readPicture(path, bytes));
  return typeof picture === "string" ? picture : { path, bytes, ...picture };
}
