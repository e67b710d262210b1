import { extname } from "node:path";
import type { Size } from "lumbit/core";
import sharp, { type Sharp, type SharpOptions } from "sharp";
import { isCutOff } from "./cut-off.ts";
import { svgSize } from "./svg.ts";

/** What a picture is: the size at which browsers show it, and the ending that files of its kind have. */
export interface ReadPicture extends Size {
  extension: string;
}

/** What pictures may be, and how their files are called. */
const extensions: Readonly<Record<string, string>> = {
  ...{ webp: "webp", heif: "avif", png: "png", jpeg: "jpg", gif: "gif", svg: "svg" },
};

/** More pixels than these no telephone shows, and decoding them takes half a minute. */
const mostPixels = 100_000_000;

/** What a picture is by its contents, whatever its name says; or why browsers do not show it. */
export async function readPicture(path: string, bytes: Buffer): Promise<ReadPicture | string> {
  const gzipped = bytes[0] === 0x1f && bytes[1] === 0x8b;
  if (gzipped) return `"${path}" is compressed with gzip, which browsers do not open as a file; unpack it`;
  const vector = isXml(bytes) ? svgSize(bytes.toString("utf8")) : undefined;
  if (typeof vector === "string") return `"${path}" ${vector}`;
  try {
    const { format, width, height, autoOrient } = await sharp(bytes, { limitInputPixels: false }).metadata();
    const extension = extensions[format ?? ""];
    if (!extension) return noPicture(path);
    if (width * height > mostPixels)
      return `"${path}" has too many pixels (${width} x ${height}); make it smaller than 100 megapixels, such as 10,000 x 10,000`;
    if (vector) return { ...vector, extension };
    if (isCutOff(bytes, format ?? "")) return `"${path}" ends before its picture does; copy or save it anew`;
    // Browsers leave pictures in WebP as they lie.
    return format === "webp" ? { width, height, extension } : { ...autoOrient, extension };
  } catch {
    return noPicture(path);
  }
}

const isXml = (bytes: Buffer) => /^(?:\uFEFF)?\s*</.test(bytes.subarray(0, 200).toString("utf8"));

/** A picture to be drawn from, turned as browsers turn it. */
export async function uprightPicture(bytes: Uint8Array, options: SharpOptions = {}): Promise<Sharp> {
  const { format } = await sharp(bytes).metadata();
  return format === "webp" ? sharp(bytes, options) : sharp(bytes, options).autoOrient();
}

/** What is wrong with a file that is no picture. */
const noPicture = (path: string): string =>
  `"${path}" is no picture; name a WebP, AVIF, PNG, JPEG, GIF or SVG file${extname(path) ? "" : " with its extension"}`;
