import { createCanvas, ImageData } from "@napi-rs/canvas";

/** Paints a picture pixel by pixel: `shade(x, y)` gets shares of width and height and returns [r, g, b, a]. */
export function perPixel(width, height, shade) {
  const canvas = createCanvas(width, height);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 4) data.set(shade(x / width, y / height), at);
  canvas.getContext("2d").putImageData(new ImageData(data, width, height), 0, 0);
  return canvas;
}

/** Darkens or lightens a colour by a little chance, so that gradients do not band. */
export const grain = (colour, next, amount = 7) => {
  const speck = (next() - 0.5) * amount;
  return [...colour.map((value) => value + speck), 255];
};
