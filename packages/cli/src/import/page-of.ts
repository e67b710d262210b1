import { mkdir, writeFile } from "node:fs/promises";
import { basename, dirname, extname, join } from "node:path";
import type { AnyLayer, Page } from "lumbit/core";
import { depthAt, speedAt } from "lumbit/core";
import sharp from "sharp";
import { Problem } from "../problem.ts";
import type { Drawing, DrawnLayer } from "./drawing.ts";
import { flattened } from "./flattened.ts";
import { textOf } from "./words.ts";

/** How deep the layers of a drawing are proposed to lie, in camera distances. */
export interface Depths {
  /** Of the nearest layer; 0 without it. */
  near?: number;
  /** Of the farthest one; the horizon where it covers the drawing, else 4. */
  far?: number;
  /** The layer that moves with the page; those in front of it move faster. */
  surface?: string;
}

const usualFar = 4;
/** How much faster than the page each layer in front of the surface moves than the one behind it. */
const inFront = 0.15;

/** What the scene of a drawing is called. */
export const sceneName = "drawing";

/** The page that was made of a drawing, and the files of its pictures. */
export interface Made {
  page: Page;
  files: Map<string, Buffer>;
}

/** The page of a drawing: one scene that is the drawing when it settles, and the files of its pictures. */
export async function pageOf(drawing: Drawing, title: string, depths: Depths): Promise<Made> {
  const files = new Map<string, Buffer>();
  const speeds = speedsOf(drawing.layers, depths);
  const layerOf = (layer: DrawnLayer, index?: number): AnyLayer => {
    const { name, opacity, hidden, blend, file, drawn, words, layers } = layer;
    const image = file && `art/${name}${drawn ? "-extended" : ""}.${file.extension}`;
    if (image && file) files.set(image, file.bytes);
    if (file && drawn) files.set(`art/${name}.${file.extension}`, drawn);
    return {
      name,
      ...(image ? { image, alt: "" } : {}),
      ...(index !== undefined && speeds[index] !== undefined && depthSaid(layer, speeds[index])),
      // What covers the drawing fills the scene, on screens of other proportions too.
      ...(!(layer.covers && index !== undefined) && { place: placeIn(layer, drawing) }),
      ...(words && textOf(words, drawing)),
      ...(opacity < 1 && { opacity: rounded(opacity) }),
      ...(blend !== "normal" && { blend }),
      ...(hidden && { hidden }),
      ...(layers && { layers: layers.map((inner) => layerOf(inner)) }),
    } as AnyLayer;
  };
  const page = {
    ...{ $schema: "./lumbit-1.schema.json", format: "lumbit/1", title, lang: "en" },
    page: await groundOf(drawing),
    scenes: [
      {
        name: sceneName,
        height: `${percent(drawing.height / drawing.width)}vw`,
        layers: drawing.layers.map((layer, index) => layerOf(layer, index)),
      },
      // What is to be seen moving needs a page that goes on.
      {
        name: "after",
        minHeight: "130vh",
        paddingTop: "20vh",
        content: [{ text: title, as: "h1", fontSize: { min: "32px", max: "72px" }, lineHeight: 1.1 }],
        layers: [],
      },
    ],
  } as unknown as Page;
  return { page, files };
}

/** The page goes on in the color in which the drawing ends, with words that can be read on it. */
async function groundOf(drawing: Drawing): Promise<{ background: string; color: string }> {
  const rows = Math.max(1, Math.round(drawing.height / 50));
  const end = await sharp(await flattened(drawing.layers, drawing))
    .flatten({ background: "#fff" })
    .extract({ left: 0, top: drawing.height - rows, width: drawing.width, height: rows })
    .removeAlpha()
    .png()
    .toBuffer();
  const { channels } = await sharp(end).stats();
  const [r = 0, g = 0, b = 0] = channels.map(({ mean }) => Math.round(mean));
  const isDark = 0.299 * r + 0.587 * g + 0.114 * b < 140;
  const hex = [r, g, b].map((value) => value.toString(16).padStart(2, "0")).join("");
  return { background: `#${hex}`, color: isDark ? "#fff" : "#111" };
}

/** Speeds in equal steps from the farthest to the nearest, unless a layer's name says how deep it lies. */
function speedsOf(layers: readonly DrawnLayer[], { near = 0, far, surface }: Depths): number[] {
  const first = far !== undefined ? speedAt(far) : layers[0]?.covers ? 0 : speedAt(usualFar);
  const at = surface === undefined ? layers.length - 1 : layers.findIndex(({ name }) => name === surface);
  if (at < 0)
    throw new Problem(
      `there is no layer "${surface}"; the drawing has ${layers.map(({ name }) => name).join(", ")}`,
    );
  const last = surface === undefined ? speedAt(near) : 1;
  return layers.map(({ depth }, index) => {
    if (depth !== undefined) return speedAt(depth);
    if (index > at) return last + inFront * (index - at);
    return at === 0 ? last : first + ((last - first) * index) / at;
  });
}

/** A speed as a depth, with no more digits than somebody would type. */
function depthSaid({ depth }: DrawnLayer, speed: number): { depth: number | "horizon" } {
  if (depth !== undefined) return { depth };
  return { depth: speed === 0 ? "horizon" : Number(depthAt(speed).toFixed(2)) };
}

const placeIn = ({ box, layers }: DrawnLayer, { width, height }: Drawing) => ({
  left: `${percent(box.left / width)}%`,
  top: `${percent(box.top / height)}%`,
  width: `${percent(box.width / width)}%`,
  // A picture is as high as its proportions say.
  ...(layers && { height: `${percent(box.height / height)}%` }),
});

const percent = (share: number) => Number((100 * share).toFixed(4));
const rounded = (value: number) => Number(value.toFixed(3));

/** Writes a page that was made of a drawing, and its pictures, into a folder. */
export async function writeMade(folder: string, { page, files }: Made): Promise<void> {
  await writeFile(join(folder, "page.json"), `${JSON.stringify(page, null, 2)}\n`);
  for (const [path, bytes] of files) {
    await mkdir(dirname(join(folder, path)), { recursive: true });
    await writeFile(join(folder, path), bytes);
  }
}

/** What a page is called after its file: a word or some, with a capital. */
export function titleOf(file: string): string {
  const words = basename(file, extname(file))
    .replace(/[-_.\s]+/g, " ")
    .trim();
  return words.charAt(0).toUpperCase() + words.slice(1) || "Drawing";
}
