import type { Box, Size } from "lumbit/core";
import { edge } from "lumbit/internal";
import sharp, { type Sharp } from "sharp";
import type { DrawnLayer } from "./drawing.ts";
import { passing } from "./flattened.ts";

/** What of a picture in a drawing is visible: its box there; nothing where it is all transparent or beside the drawing. */
export async function visibleBox(
  picture: Buffer,
  at: Box,
  { width, height }: Size,
): Promise<Box | undefined> {
  const { data, info } = await sharp(picture)
    .ensureAlpha()
    .extractChannel(3)
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [fromX, fromY] = [Math.max(0, -at.left), Math.max(0, -at.top)];
  const [toX, toY] = [Math.min(info.width, width - at.left), Math.min(info.height, height - at.top)];
  let [left, top, right, bottom] = [toX, toY, fromX, fromY];
  for (let y = fromY; y < toY; y++)
    for (let x = fromX; x < toX; x++)
      if (data[y * info.width + x] !== 0) {
        left = Math.min(left, x);
        right = Math.max(right, x + 1);
        top = Math.min(top, y);
        bottom = Math.max(bottom, y + 1);
      }
  if (right <= left || bottom <= top) return undefined;
  return { left: at.left + left, top: at.top + top, width: right - left, height: bottom - top };
}

/** A picture of a drawing, cut to what is visible of it; nothing where nothing is. */
export async function cutOut(
  bytes: Buffer,
  at: { left: number; top: number },
  drawing: Size,
): Promise<Pick<DrawnLayer, "box" | "file" | "covers"> | undefined> {
  const picture = await sharp(bytes).autoOrient().ensureAlpha().png(passing).toBuffer();
  const { width, height } = await sharp(picture).metadata();
  const box = await visibleBox(picture, { ...at, width, height }, drawing);
  if (!box) return undefined;
  const { left, top } = { left: box.left - at.left, top: box.top - at.top };
  const cut = await sharp(picture)
    .extract({ left, top, width: box.width, height: box.height })
    .png(passing)
    .toBuffer();
  const packed = (picture: Sharp) => picture.png().toBuffer();
  const whole = box.width === drawing.width && box.height === drawing.height;
  if (!whole || !(await sharp(cut).stats()).isOpaque)
    return { box, file: { bytes: await packed(sharp(cut)), extension: "png" } };
  // What fills its scene reaches a pixel past it on every side: with one more there it is not enlarged for that.
  const sides = { top: edge, right: edge, bottom: edge, left: edge };
  const withEdge = await packed(sharp(cut).extend({ ...sides, extendWith: "copy" }));
  return { box, file: { bytes: withEdge, extension: "png" }, covers: true };
}
