import type { Size } from "lumbit/core";
import { edge } from "lumbit/internal";
import sharp, { type Blend } from "sharp";
import type { DrawnLayer } from "./drawing.ts";

/** Layers put together as one picture of the size of their drawing. */
export async function flattened(layers: readonly DrawnLayer[], drawing: Size): Promise<Buffer> {
  const shown = layers.filter(({ hidden }) => !hidden);
  const inputs = await Promise.all(
    shown.map(async (layer) => ({
      input: await faded(await pictureOf(layer, drawing), layer.opacity),
      left: layer.box.left,
      top: layer.box.top,
      blend: (layer.blend === "normal" ? "over" : layer.blend) as Blend,
    })),
  );
  const { width, height } = drawing;
  return sharp({ create: { width, height, channels: 4, background: "#0000" } })
    .composite(inputs)
    .png()
    .toBuffer();
}

async function pictureOf({ file, layers, covers }: DrawnLayer, drawing: Size): Promise<Buffer> {
  if (!file) return flattened(layers ?? [], drawing);
  const { width, height } = drawing;
  return covers && file.extension === "png"
    ? sharp(file.bytes).extract({ left: edge, top: edge, width, height }).png().toBuffer()
    : file.bytes;
}

const faded = (bytes: Buffer, opacity: number): Promise<Buffer> =>
  opacity === 1
    ? Promise.resolve(bytes)
    : sharp(bytes).ensureAlpha().linear([1, 1, 1, opacity], [0, 0, 0, 0]).png().toBuffer();
