import { extname } from "node:path";
import type { Size } from "lumbit/core";
import sharp from "sharp";

/** What pictures may be, and how their files are called. */
const extensions: Readonly<Record<string, string>> = {
  ...{ webp: "webp", heif: "avif", png: "png", jpeg: "jpg", gif: "gif", svg: "svg" },
};

/**
 * The size at which a picture is shown: a photograph that lies on its side is turned as its file says. With the ending
 * that such files have; nothing when it is no picture.
 */
export async function pictureSize(bytes: Buffer): Promise<(Size & { extension: string }) | undefined> {
  try {
    const { format, autoOrient } = await sharp(bytes).metadata();
    const extension = extensions[format ?? ""];
    return extension ? { width: autoOrient.width, height: autoOrient.height, extension } : undefined;
  } catch {
    return undefined;
  }
}

/** What is wrong with a file that is no picture. */
export const noPicture = (path: string): string =>
  `"${path}" is no picture; name a WebP, AVIF, PNG, JPEG, GIF or SVG file${extname(path) ? "" : " with its extension"}`;
