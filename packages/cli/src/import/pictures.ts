import { readPicture } from "../picture/read-picture.ts";
import { Problem } from "../problem.ts";
import { type Drawing, type DrawnLayer, layerName } from "./drawing.ts";
import { cutOut } from "./visible.ts";

/** A number at the end of a name: how deep the picture lies, unless the numbers only count. */
const numbered = /[-_ ](-?\d+(?:\.\d+)?)$/;

/**
 * A drawing out of pictures, in the order of their names, the farthest first. Those of the size of the largest lie as they are,
 * others stand on the ground, in the middle.
 *
 * @throws Problem where none is a picture
 */
export async function readPictures(files: ReadonlyMap<string, Buffer>, where: string): Promise<Drawing> {
  const names = new Intl.Collator("en", { numeric: true });
  const drawing: Drawing = { width: 0, height: 0, layers: [], notes: [] };
  const pictures: { stem: string; bytes: Buffer; width: number; height: number; extension: string }[] = [];
  for (const [path, bytes] of [...files].sort(([a], [b]) => names.compare(a, b))) {
    const file = path.split("/").at(-1) ?? path;
    if (file.startsWith(".")) continue;
    const picture = await readPicture(file, bytes);
    if (typeof picture === "string") drawing.notes.push(`${picture}; it is left out`);
    else pictures.push({ stem: file.replace(/\.\w+$/, ""), bytes, ...picture });
  }
  const largest = pictures.toSorted((a, b) => b.width * b.height - a.width * a.height)[0];
  if (!largest) throw new Problem([`there is no picture in ${where}`, ...drawing.notes].join("; "));
  Object.assign(drawing, { width: largest.width, height: largest.height });
  const numbers = pictures
    .map(({ stem }) => numbered.exec(stem)?.[1])
    .map((one) => (one === undefined ? Number.NaN : Number(one)));
  const counts = numbers.every((number, index) => number === (numbers[0] ?? 0) + index);
  const areDepths = !counts && numbers.every((number) => number > -1);
  const taken = new Set<string>();
  for (const [index, { stem, bytes, width, height, extension }] of pictures.entries()) {
    const at = { left: Math.round((drawing.width - width) / 2), top: drawing.height - height };
    const settings = {
      name: layerName(areDepths ? stem.replace(numbered, "") : stem, index + 1, taken),
      ...{ opacity: 1, hidden: false, blend: "normal" },
      ...(areDepths && { depth: numbers[index] as number }),
    };
    const cut: Pick<DrawnLayer, "box" | "file" | "covers"> | undefined =
      extension === "svg"
        ? { box: { ...at, width, height }, file: { bytes, extension: "svg" } }
        : await cutOut(bytes, at, drawing).catch(() => undefined);
    if (cut) drawing.layers.push({ ...settings, ...cut });
    else drawing.notes.push(`"${stem}" shows nothing, or cannot be decoded; it is left out`);
  }
  if (areDepths) drawing.layers.sort((a, b) => (b.depth ?? 0) - (a.depth ?? 0));
  return drawing;
}
