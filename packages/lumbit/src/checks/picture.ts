/** Pixels: red, green, blue and opacity (0..255), row by row. */
export interface Raster {
  width: number;
  height: number;
  data: Uint8Array | Uint8ClampedArray;
}

/** The longer side of the small copy of a picture that checks look at, in px. */
export const rasterSize = 384;

/** What checks know of a picture file. */
export interface KnownPicture {
  width: number;
  height: number;
  bytes: number;
  /** The files that a site has of it, by their widths in px, the widest first; its own file alone without them. */
  delivered?: readonly { width: number; bytes: number }[];
  /** The share of its pixels, along each side, that its detail needs: less than 1 for what is soft by nature, 0 for vectors. */
  detail?: number;
  /** A small copy of its pixels; nothing for what cannot be decoded. */
  raster?: Raster;
}

/** A pixel: 0..1 each. */
export interface Pixel {
  r: number;
  g: number;
  b: number;
  alpha: number;
}

/** The pixel at a point of a picture, given as shares of its width and height. */
export function pixelAt({ raster }: KnownPicture, x: number, y: number): Pixel | undefined {
  if (!raster || x < 0 || y < 0 || x > 1 || y > 1) return undefined;
  const column = Math.min(Math.floor(x * raster.width), raster.width - 1);
  const row = Math.min(Math.floor(y * raster.height), raster.height - 1);
  const at = 4 * (row * raster.width + column);
  const share = (channel: number) => (raster.data[at + channel] ?? 0) / 255;
  return { r: share(0), g: share(1), b: share(2), alpha: share(3) };
}

export type Side = "top" | "right" | "bottom" | "left";

/** Points along a side of a picture, as shares of its width and height. */
const alongSide = (side: Side): { x: number; y: number }[] =>
  Array.from({ length: 32 }, (_, index) => (index + 0.5) / 32).map((along) =>
    side === "top" || side === "bottom"
      ? { x: along, y: side === "top" ? 0 : 1 }
      : { x: side === "left" ? 0 : 1, y: along },
  );

/** The points of a side at which a picture can be seen. */
export const opaqueAlong = (picture: KnownPicture, side: Side) =>
  alongSide(side).filter(({ x, y }) => (pixelAt(picture, x, y)?.alpha ?? 0) > 0.5);
