import sharp from "sharp";
import { delivered, digest } from "../kept.ts";
import { uprightPicture } from "./read-picture.ts";

/**
 * A gradient of a picture's colors from top to bottom, which stands there until it is loaded; none of a picture with
 * transparent parts, behind which it would stay.
 */
export async function placeholderOf(bytes: Buffer): Promise<string | undefined> {
  const key = `placeholder ${digest(bytes)}`;
  const known = await delivered.remembered(key);
  const gradient = known ? String(known.data) : await gradientOf(bytes);
  if (!known) await delivered.remember(key, gradient);
  return gradient || undefined;
}

async function gradientOf(bytes: Buffer): Promise<string> {
  const { hasAlpha } = await sharp(bytes).metadata();
  if (hasAlpha && !(await sharp(bytes).stats()).isOpaque) return "";
  const { data, info } = await (await uprightPicture(bytes))
    .removeAlpha()
    .toColorspace("srgb")
    .resize({ width: 1, height: 3, fit: "fill", kernel: "cubic" })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const colors = Array.from({ length: info.height }, (_, row) => {
    const at = row * info.channels;
    return `#${data.subarray(at, at + 3).toString("hex")}`;
  });
  return `linear-gradient(${colors.join(", ")})`;
}
