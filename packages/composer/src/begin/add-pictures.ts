import { type AnyLayer, allLayers } from "lumbit/core";
import { displaced } from "../desk/displaced.ts";
import { isDark } from "../desk/pixels.ts";
import { sceneBox } from "../desk/shown.ts";
import { nameFrom, sceneOf } from "../edit/find.ts";
import { addLayers, named } from "../edit/layers.ts";
import { isFilm, stillOf } from "../home/film.ts";
import type { Added } from "../home/home.ts";
import type { Stands } from "../stage/messages.ts";
import type { Composer } from "../state/store.ts";
import { addFonts } from "./add-fonts.ts";

/** Files that were dropped or pasted, those in folders too. */
export async function filesOf({ items, files }: DataTransfer): Promise<File[]> {
  // Before anything is waited for: a drop is empty afterwards.
  const [all, entries] = [[...files], [...items].map((item) => item.webkitGetAsEntry?.() ?? null)];
  if (!entries.some((entry) => entry?.isDirectory)) return all;
  return (await Promise.all(entries.map((entry) => (entry ? within(entry) : [])))).flat();
}

/** The files of a folder, in the order of their names; of a file itself. */
async function within(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile)
    return [await new Promise<File>((done, failed) => (entry as FileSystemFileEntry).file(done, failed))];
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const all: FileSystemEntry[] = [];
  // It gives a hundred at a time, and then none.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((done, failed) => reader.readEntries(done, failed));
    if (some.length === 0) break;
    all.push(...some);
  }
  const shown = all.filter(({ name }) => !name.startsWith("."));
  const sorted = shown.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  return (await Promise.all(sorted.map(within))).flat();
}

/** Where something was let fall, in px of a stage's screen, and how the page stands there. */
interface Fallen {
  scene: string;
  at: { x: number; y: number };
  /** Asked for when the pictures are there: what was changed right before is on the stage then. */
  stands(): Promise<Stands | undefined>;
}

/** At most this share of the width of its scene a new picture takes, in percent. */
const widest = 60;
/** How deep a picture lies where nothing says how deep, in camera distances. */
const usualDepth = 0.5;

/** Copies pictures into the page's home, and makes layers of them: where they fell, as deep as what is selected. */
export async function addPictures(composer: Composer, files: readonly File[], fallen: Fallen): Promise<void> {
  for (const drawing of files.filter(isDrawing)) await composer.addDrawing(drawing);
  const { added } = await composer.addFiles(files.filter((file) => !isFilm(file) && !isDrawing(file)));
  addFonts(composer, added);
  const pictures = [
    ...added.filter(({ picture }) => picture),
    ...(await addFilms(composer, files.filter(isFilm))),
  ];
  if (pictures.length === 0) return;
  const stands = await fallen.stands();
  const { page, selected } = composer.store.getState();
  const { scene } = fallen;
  const beside = sceneOf(page, scene)?.layers.find(({ name }) => name === selected.at(-1));
  const motion =
    beside?.speed !== undefined ? { speed: beside.speed } : { depth: beside?.depth ?? usualDepth };
  const layers = named(
    page,
    scene,
    pictures.map(
      (one, index) =>
        ({
          ...pictureLayer(one),
          ...motion,
          place: stands && placeOf(one, { ...fallen, stands }, motion, index),
        }) as AnyLayer,
    ),
  );
  const what = layers.length === 1 ? `${layers[0]?.name}: new` : `${layers.length} new pictures`;
  composer.edit(what, addLayers(scene, layers, beside?.name));
  composer.select(
    layers.map(({ name }) => name),
    scene,
  );
}

/** Whether a file is a drawing in layers, or pictures in one file. */
export const isDrawing = ({ name }: File): boolean => /\.(ora|zip)$/i.test(name);

/** A picture that was copied into the page's home, and of a film its path. */
type AddedPicture = Added & { video?: string };

/** Copies films, each behind its still. */
async function addFilms(composer: Composer, films: readonly File[]): Promise<AddedPicture[]> {
  const added: AddedPicture[] = [];
  for (const film of films)
    try {
      const files = await composer.addFiles([await stillOf(film), film]);
      const [still, own] = files.added;
      if (still && own) added.push({ ...still, video: own.path });
    } catch (error) {
      composer.say((error as Error).message);
    }
  return added;
}

/** The middle of what the large stage shows. */
function middleOf(composer: Composer): Fallen | undefined {
  const { stands, scene } = composer.store.getState();
  const { width, height } = stands?.layout.viewport ?? { width: 0, height: 0 };
  return stands && { scene, at: { x: width / 2, y: height / 2 }, stands: () => composer.standsNow() };
}

/** Puts pictures into the middle of what the large stage shows. */
export async function pastePictures(composer: Composer, files: readonly File[]): Promise<void> {
  const middle = middleOf(composer);
  if (middle) await addPictures(composer, files, middle);
}

/** Colors of new words, so that they are read at once. */
const letters = { onDark: "#f6f2ea", onLight: "#262320" };

/** Puts words or a shape into the middle of what the large stage shows. Words that are not given yet are written at once. */
export async function addNew(
  composer: Composer,
  what: "words" | "rectangle" | "ellipse",
  words?: string,
): Promise<void> {
  const middle = middleOf(composer);
  const stands = await middle?.stands();
  if (!middle || !stands) return;
  const { scene, at } = middle;
  const { page, assets } = composer.store.getState();
  const ground = sceneOf(page, scene)?.background ?? page.page?.background;
  const around = [-120, -60, 0, 60, 120].map((away) => ({ x: at.x + away, y: at.y }));
  const dark = what === "words" && (await isDark(stands, scene, ground, around, assets));
  const box = sceneBox(stands.layout, scene, stands.scroll);
  if (!box) return;
  const motion = { depth: usualDepth };
  const away = displaced(stands.layout, scene, stands.scroll, { name: "new", ...motion } as AnyLayer);
  const y = at.y - box.top - away.y;
  const isFirst = !page.scenes.some(({ layers }) => allLayers(layers).some(({ as }) => as === "h1"));
  const layer =
    what === "words"
      ? {
          ...{ text: words ?? "Words", as: isFirst ? "h1" : "p", fontSize: { min: "32px", max: "88px" } },
          color: dark ? letters.onDark : letters.onLight,
          place: { center: "x", top: percentOf(y - 50, box.height) },
        }
      : {
          ...{ shape: what, background: "#8d99a0" },
          place: {
            center: "x",
            top: percentOf(y - 0.1 * box.width, box.height),
            width: "20%",
            height: "20vw",
          },
        };
  const [added] = named(page, scene, [{ name: what, ...motion, ...layer } as unknown as AnyLayer]);
  if (!added) return;
  composer.edit(`${added.name}: new`, addLayers(scene, [added]));
  composer.select([added.name], scene);
  if (what === "words" && words === undefined) composer.writeWords(added.name);
}

/** A picture as a layer that decorates, named after its file. */
export const pictureLayer = ({ path, video }: AddedPicture): AnyLayer =>
  ({
    name: nameFrom(((video ?? path).split("/").at(-1) ?? path).replace(/\.\w+$/, "")),
    image: path,
    ...(video !== undefined && { video }),
    alt: "",
  }) as AnyLayer;

/** The place of a picture whose middle is to be at a point, at this moment; each of several a little further on. */
function placeOf(
  { picture }: Added,
  { scene, at, stands }: Omit<Fallen, "stands"> & { stands: Stands },
  motion: object,
  index: number,
) {
  const { layout, scroll } = stands;
  const box = sceneBox(layout, scene, scroll);
  if (!box || !picture) return undefined;
  const width = Math.min(widest, (100 * picture.width) / 2 / box.width);
  const height = ((width / 100) * box.width * picture.height) / picture.width;
  const away = displaced(layout, scene, scroll, { name: "new", ...motion } as AnyLayer);
  const middle = { x: at.x - box.left - away.x, y: at.y - box.top - away.y };
  // However many there are, none runs out of the scene on its lower right.
  const step = (from: number, size: number, room: number) =>
    index === 0 || room - size <= from ? from : from + ((24 * index) % (room - size - from));
  return {
    left: percentOf(
      step(middle.x - (width / 200) * box.width, (width / 100) * box.width, box.width),
      box.width,
    ),
    top: percentOf(step(middle.y - height / 2, height, box.height), box.height),
    width: `${Number(width.toFixed(2))}%`,
  };
}

const percentOf = (px: number, of: number) => `${Number(((100 * px) / of).toFixed(2))}%`;
