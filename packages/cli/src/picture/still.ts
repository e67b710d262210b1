import sharp from "sharp";
import type { PictureAsset } from "../project.ts";

/** Whether a picture is made anew in other widths: vectors are as sharp as they should be, and what moves goes on moving. */
export async function isDelivered({ bytes, extension }: PictureAsset): Promise<boolean> {
  if (extension === "svg" || extension === "gif") return false;
  const { pages = 1 } = await sharp(bytes).metadata();
  return pages === 1;
}
