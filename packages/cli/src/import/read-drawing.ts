import { extname } from "node:path";
import type { Drawing } from "./drawing.ts";
import { readOpenRaster } from "./openraster.ts";
import { inOrder, readPictures } from "./pictures.ts";
import { readSvgDrawing } from "./svg-drawing.ts";
import { unzipped } from "./unzip.ts";

/**
 * A drawing in layers from its file: OpenRaster, SVG, a zip of pictures in the order of their names, or one picture.
 *
 * @param group of an SVG drawing the name of the group whose parts are the layers
 * @throws Problem when it cannot be read
 */
export async function readDrawing(name: string, bytes: Buffer, group?: string): Promise<Drawing> {
  const kind = extname(name).toLowerCase();
  if (kind === ".svg") return readSvgDrawing(bytes, name, group);
  if (kind === ".zip") return readPictures(inOrder(unzipped(bytes, name)), name);
  if (kind === ".ora" || bytes.subarray(0, 2).toString("latin1") === "PK") return readOpenRaster(bytes, name);
  return readPictures(new Map([[name, bytes]]), name);
}
