import type { Size } from "lumbit/core";
import { edge, intersection } from "lumbit/internal";
import sharp, { type Blend } from "sharp";
import type { DrawnLayer } from "./drawing.ts";

/** How pictures are written that become others at once: to pack them well would take most of the time. */
export const passing = { compressionLevel: 0 } as const;

/** Layers put together as one picture of the size of their drawing. */
export async function flattened(layers: readonly DrawnLayer[], drawing: Size): Promise<Buffer> {
  const shown = layers.filter(({ hidden }) => !hidden);
  const inputs = await Promise.all(
    shown.map(async (layer) => {
      const { left, top, ...part } = intersection(layer.box, { left: 0, top: 0, ...drawing });
      if (part.width <= 0 || part.height <= 0) return [];
      const whole = await faded(await pictureOf(layer, drawing), layer.opacity);
      const inside = { left: left - layer.box.left, top: top - layer.box.top, ...part };
      const input = await sharp(whole).extract(inside).png(passing).toBuffer();
      return [{ input, left, top, blend: (layer.blend === "normal" ? "over" : layer.blend) as Blend }];
    }),
  );
  const { width, height } = drawing;
  return sharp({ create: { width, height, channels: 4, background: "#0000" } })
    .composite(inputs.flat())
    .png(passing)
    .toBuffer();
}

/** The picture of a layer, as large as its box. */
export async function pictureOf({ file, layers, box, covers }: DrawnLayer, drawing: Size): Promise<Buffer> {
  if (!file) return flattened(layers ?? [], drawing);
  const { width, height } = box;
  const picture = sharp(file.bytes);
  if (file.extension === "svg") return picture.resize(width, height, { fit: "fill" }).png(passing).toBuffer();
  return covers
    ? picture.extract({ left: edge, top: edge, width, height }).png(passing).toBuffer()
    : file.bytes;
}

const faded = (bytes: Buffer, opacity: number): Promise<Buffer> =>
  opacity === 1
    ? Promise.resolve(bytes)
    : sharp(bytes).ensureAlpha().linear([1, 1, 1, opacity], [0, 0, 0, 0]).png(passing).toBuffer();
