import { type Raster, rasterSize } from "lumbit/checks";
import type { Size } from "lumbit/core";

/** A small copy of a picture's pixels. */
export function rasterOf(image: CanvasImageSource, { width, height }: Size): Raster {
  const scale = Math.min(1, rasterSize / Math.max(width, height));
  return drawn(image, {
    width: Math.max(1, Math.round(width * scale)),
    height: Math.max(1, Math.round(height * scale)),
  });
}

/** Pixels of a picture that is drawn as large as is said. */
export function drawn(image: CanvasImageSource, { width, height }: Size): Raster {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d", { willReadFrequently: true }) as OffscreenCanvasRenderingContext2D;
  context.imageSmoothingQuality = "high";
  context.drawImage(image, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
