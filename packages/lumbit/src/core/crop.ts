import type { Size } from "./box.ts";

/** The point of a picture's file at a point of its box, both in shares. */
export function cropped(
  file: Size,
  box: Size,
  [subjectX, subjectY]: readonly [number, number],
  cover: boolean,
  x: number,
  y: number,
): { x: number; y: number } {
  const ratios = [box.width / file.width, box.height / file.height];
  const scale = cover ? Math.max(...ratios) : Math.min(...ratios);
  const [width, height] = [file.width * scale, file.height * scale];
  return {
    x: (x * box.width - (box.width - width) * subjectX) / width,
    y: (y * box.height - (box.height - height) * subjectY) / height,
  };
}
