import type { Box, Size } from "lumbit/core";
import sharp from "sharp";
import { readPicture } from "../picture/read-picture.ts";
import { Problem } from "../problem.ts";
import { type Drawing, type DrawnLayer, layerName } from "./drawing.ts";
import { cutOut } from "./visible.ts";

/** A number at the end of a name: how deep the picture lies, unless the numbers only count. */
const numbered = /[-_ ](-?\d+(?:\.\d+)?)$/;

const names = new Intl.Collator("en", { numeric: true });

/** Files in the order of their names, numbers in them by their size. */
export const inOrder = (files: ReadonlyMap<string, Buffer>): Map<string, Buffer> =>
  new Map([...files].sort(([a], [b]) => names.compare(a, b)));

/**
 * A drawing out of pictures, the farthest first, which is as large as that one. Those of its size lie as they are, others stand on
 * the ground, in the middle.
 *
 * @throws Problem where none is a picture
 */
export async function readPictures(files: ReadonlyMap<string, Buffer>, where: string): Promise<Drawing> {
  const drawing: Drawing = { width: 0, height: 0, layers: [], notes: [] };
  const pictures: { stem: string; bytes: Buffer; width: number; height: number; extension: string }[] = [];
  for (const [path, bytes] of files) {
    const file = path.split("/").at(-1) ?? path;
    if (file.startsWith(".")) continue;
    const picture = await readPicture(file, bytes);
    if (typeof picture === "string") drawing.notes.push(`${picture}; it is left out`);
    else pictures.push({ stem: file.replace(/\.\w+$/, ""), bytes, ...picture });
  }
  const numbers = pictures.map(({ stem }) => Number(numbered.exec(stem)?.[1] ?? Number.NaN));
  const counts = numbers.every((number, index) => number === (numbers[0] ?? 0) + index);
  const areDepths = !counts && numbers.every((number) => number > -1);
  const depthOf = new Map(pictures.map((picture, index) => [picture, numbers[index] ?? 0]));
  if (areDepths) pictures.sort((a, b) => (depthOf.get(b) ?? 0) - (depthOf.get(a) ?? 0));
  const [farthest] = pictures;
  if (!farthest) throw new Problem([`there is no picture in ${where}`, ...drawing.notes].join("; "));
  Object.assign(drawing, { width: farthest.width, height: farthest.height });
  const taken = new Set<string>();
  for (const [index, picture] of pictures.entries()) {
    const { stem, bytes, width, height, extension } = picture;
    const at = { left: Math.round((drawing.width - width) / 2), top: drawing.height - height };
    const settings = {
      name: layerName(areDepths ? stem.replace(numbered, "") : stem, index + 1, taken),
      ...{ opacity: 1, hidden: false, blend: "normal" },
      ...(areDepths && { depth: depthOf.get(picture) ?? 0 }),
    };
    const cut: Pick<DrawnLayer, "box" | "file" | "covers"> | undefined =
      extension === "svg"
        ? await uncut(bytes, { ...at, width, height }, drawing)
        : await cutOut(bytes, at, drawing).catch(() => undefined);
    if (cut) drawing.layers.push({ ...settings, ...cut });
    else drawing.notes.push(`"${stem}" shows nothing, or cannot be decoded; it is left out`);
  }
  return drawing;
}

/** A vector as it is. */
async function uncut(
  bytes: Buffer,
  box: Box,
  drawing: Size,
): Promise<Pick<DrawnLayer, "box" | "file" | "covers">> {
  const isAll = box.width === drawing.width && box.height === drawing.height;
  const covers = isAll && (await sharp(bytes).stats()).isOpaque;
  return { box, file: { bytes, extension: "svg" }, ...(covers && { covers }) };
}
