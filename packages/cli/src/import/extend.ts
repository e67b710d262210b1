import type { Size } from "lumbit/core";
import sharp from "sharp";
import type { Continuation, DrawnLayer } from "./drawing.ts";
import { pictureOf } from "./flattened.ts";
import type { Hole } from "./holes.ts";

/** From this opacity on (of 255) a pixel is painted, and not the soft edge of what is. */
const painted = 250;
/** How far into a layer its soft edge may reach, in px. */
const soft = 8;

/** The last painted pixel of a column, in which direction it goes on, and to which row. */
interface End {
  x: number;
  y: number;
  by: 1 | -1;
  to: number;
}

/**
 * A layer of a drawing that goes on where it has holes, behind what there is of it; its box grows with it. A vector stays one:
 * what is new lies behind it as a picture. Nothing for what has no picture of its own.
 */
export async function extended(
  layer: DrawnLayer,
  holes: readonly Hole[],
  how: Continuation,
  drawing: Size,
): Promise<DrawnLayer | undefined> {
  const { file, box } = layer;
  if (!file) return undefined;
  const pixels = await sharp(await pictureOf(layer, drawing))
    .ensureAlpha()
    .raw()
    .toBuffer();
  const picture = { pixels, ...box };
  const ends = holes.flatMap((hole) => endsOf(picture, hole));
  const above = Math.max(0, ...ends.map(({ to }) => -to));
  const below = Math.max(0, ...ends.map(({ to }) => to + 1 - box.height));
  const grown = { ...box, top: box.top - above, height: box.height + above + below };
  const behind = new Uint8Array(grown.width * grown.height * 4);
  for (const side of [1, -1] as const) {
    const own = ends.filter(({ by }) => by === side);
    const colorAt = colors[how](picture, own);
    for (const end of own)
      for (let y = end.y + side, far = 1; side * (end.to - y) >= 0; y += side, far++)
        behind.set([...colorAt(end, far), 255], ((y + above) * grown.width + end.x) * 4);
  }
  const raw = { width: grown.width, height: grown.height, channels: 4 } as const;
  const under = await sharp(behind, { raw }).png().toBuffer();
  const bytes =
    file.extension === "svg"
      ? vector(file.bytes, under, grown, { width: box.width, height: box.height, top: above })
      : await sharp(under)
          .composite([{ input: file.bytes, left: 0, top: above }])
          .png({ compressionLevel: 9 })
          .toBuffer();
  return { ...layer, box: grown, file: { bytes, extension: file.extension }, drawn: file.bytes };
}

interface Picture extends Size {
  left: number;
  top: number;
  pixels: Buffer;
}
type Color = readonly [number, number, number];

const opacityAt = ({ pixels, width, height }: Picture, x: number, y: number): number =>
  y < 0 || y >= height ? 0 : (pixels[(y * width + x) * 4 + 3] ?? 0);

const pixel = ({ pixels, width }: Picture, x: number, y: number): Color => {
  const at = (y * width + x) * 4;
  return [pixels[at] ?? 0, pixels[at + 1] ?? 0, pixels[at + 2] ?? 0];
};

/** How many px in a row are painted behind an end, with that. */
function paintedBehind(picture: Picture, { x, y, by }: End): number {
  let length = 1;
  while (opacityAt(picture, x, y - by * length) >= painted) length++;
  return length;
}

/** Where a picture itself ends at a hole, which was found on a coarser grid. */
function endsOf(picture: Picture, { ends, side, step }: Hole): End[] {
  const by = side === "below" ? 1 : -1;
  const inColumns = new Map<number, Hole["ends"][number][]>();
  for (const end of ends) inColumns.set(end.column, [...(inColumns.get(end.column) ?? []), end]);
  return Array.from({ length: picture.width }, (_, x) => x).flatMap((x) => {
    // The grid is coarser: beside its columns the same end may lie in half a one.
    const column = Math.floor((picture.left + x) / step);
    const near = [column - 1, column, column + 1].flatMap((one) => inColumns.get(one) ?? []);
    return near.flatMap(({ row, missing }): End[] => {
      const around = Math.ceil(2 * step) + soft;
      let y = Math.round((row + 0.5) * step - picture.top);
      const last = y + by * around;
      // On from what is painted to where that ends, or back to it.
      for (let moved = 0; moved < around && opacityAt(picture, x, y) < painted; moved++) y -= by;
      while (y !== last && opacityAt(picture, x, y + by) >= painted) y += by;
      if (y === last || opacityAt(picture, x, y) < painted) return [];
      return [{ x, y, by, to: y + by * Math.ceil((missing + 1) * step + soft) }];
    });
  });
}

/** What color a picture goes on in, `far` px past an end of it. */
const colors: Record<
  Continuation,
  (picture: Picture, ends: readonly End[]) => (end: End, far: number) => Color
> = {
  stretch:
    (picture) =>
    ({ x, y }) =>
      pixel(picture, x, y),
  mirror(picture, ends) {
    const lengths = new Map(ends.map((end) => [end, paintedBehind(picture, end)]));
    return (end, far) => {
      const length = lengths.get(end) ?? 1;
      // There and back again, where it is longer than what there is.
      const at = (far - 1) % (2 * length);
      return pixel(picture, end.x, end.y - end.by * (at < length ? at : 2 * length - 1 - at));
    };
  },
  gradient(picture, ends) {
    const sums = new Float64Array((picture.width + 1) * 4);
    const own = new Map(ends.map((end) => [end.x, pixel(picture, end.x, end.y)]));
    for (let x = 0; x < picture.width; x++) {
      const color = own.get(x);
      for (const channel of [0, 1, 2, 3])
        sums[(x + 1) * 4 + channel] =
          (sums[x * 4 + channel] ?? 0) + (color ? (channel === 3 ? 1 : (color[channel] ?? 0)) : 0);
    }
    return ({ x }, far) => {
      const [from, to] = [Math.max(0, x - far), Math.min(picture.width, x + far + 1)];
      const sum = (channel: number) => (sums[to * 4 + channel] ?? 0) - (sums[from * 4 + channel] ?? 0);
      const mean = (channel: number) => Math.round(sum(channel) / sum(3));
      return [mean(0), mean(1), mean(2)];
    };
  },
};

/** A vector in a larger one, over a picture. */
function vector(own: Buffer, under: Buffer, { width, height }: Size, at: Size & { top: number }): Buffer {
  const inner = own.toString("utf8").replace(/^[\s\S]*?(?=<svg)/, "");
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><image width="${width}" height="${height}" href="data:image/png;base64,${under.toString("base64")}"/><svg y="${at.top}" width="${at.width}" height="${at.height}">${inner}</svg></svg>`,
  );
}
