import { ssim } from "@blazediff/ssim";
import exif from "exif-reader";
import sharp, { type Metadata, type Sharp } from "sharp";
import { delivered, digest } from "../kept.ts";
import { uprightPicture } from "./read-picture.ts";

/** The kinds in which photographs are delivered, the smallest first. */
export const kinds = ["avif", "webp"] as const;
export type Kind = (typeof kinds)[number] | "jpg" | "png";

/** How pictures are delivered: how alike to the original they are, and what of them says who made them. */
export interface Delivery {
  /** The least structural similarity (SSIM, 0..1). */
  similarity: number;
  copyright: boolean;
}

/** From the smallest on, the qualities of an encoder that are tried until a picture is alike enough. */
const qualities = [40, 50, 60, 70, 80, 90];
/** A sample of so many px, at most, stands for the whole picture. */
const sampled = 320;
/** And is no thinner than this, in px. */
const compared = 16;

/** A picture in a kind and at a width; made once, and kept between runs. */
export async function encoded(bytes: Buffer, kind: Kind, width: number, how: Delivery): Promise<Buffer> {
  const key = [kind, width, JSON.stringify(how), digest(bytes)].join(" ");
  const known = await delivered.remembered(key);
  if (known) return known.data;
  const quality = await qualityOf(bytes, kind, how.similarity);
  const made = await into(await carried(bytes, width, how), kind, quality).toBuffer();
  await delivered.remember(key, made);
  return made;
}

/** The least quality at which a picture in a kind is as alike as it should be. */
async function qualityOf(bytes: Buffer, kind: Kind, similarity: number): Promise<number> {
  const key = ["quality", kind, similarity, digest(bytes)].join(" ");
  const known = await delivered.remembered(key);
  if (known) return Number(known.data);
  const sample = await sampleOf(bytes);
  let found = qualities.at(-1) as number;
  for (const quality of qualities) {
    if ((await alike(sample, await into(sharp(sample), kind, quality).toBuffer())) < similarity) continue;
    found = quality;
    break;
  }
  await delivered.remember(key, String(found));
  return found;
}

/** A small copy of a picture to try qualities on. What is thin is drawn out: windows of so many px are compared. */
async function sampleOf(bytes: Buffer): Promise<Buffer> {
  const { data, info } = await (await uprightPicture(bytes))
    .resize({ width: sampled, height: sampled, fit: "inside", withoutEnlargement: true })
    .png()
    .toBuffer({ resolveWithObject: true });
  const [width, height] = [Math.max(info.width, compared), Math.max(info.height, compared)];
  if (width === info.width && height === info.height) return data;
  return sharp(data).resize({ width, height, fit: "fill", kernel: "nearest" }).png().toBuffer();
}

/** What is behind transparent parts when two pictures are compared: what is faint is seen on one of them. */
const grounds = ["#000", "#808080", "#fff"];

/** How alike two pictures of one size are, on the ground on which they are least so. */
async function alike(one: Buffer, other: Buffer): Promise<number> {
  const { hasAlpha } = await sharp(one).metadata();
  const found = await Promise.all(
    (hasAlpha ? grounds : grounds.slice(0, 1)).map(async (ground) => {
      const [a, b] = await Promise.all([pixelsOn(one, ground), pixelsOn(other, ground)]);
      return ssim(a.data, b.data, undefined, a.info.width, a.info.height);
    }),
  );
  return Math.min(...found);
}

const pixelsOn = (bytes: Buffer, background: string) =>
  sharp(bytes).flatten({ background }).ensureAlpha().raw().toBuffer({ resolveWithObject: true });

/** A picture at a width, with what goes with it: colors beyond those of every screen, and who made it when asked. */
async function carried(bytes: Buffer, width: number, { copyright }: Delivery): Promise<Sharp> {
  const metadata = await sharp(bytes).metadata();
  const picture = (await uprightPicture(bytes)).resize({ width, withoutEnlargement: true });
  if (isWide(metadata)) picture.keepIccProfile();
  const owner = copyright && metadata.exif ? copyrightOf(metadata.exif) : undefined;
  return owner ? picture.withExif({ IFD0: { Copyright: owner } }) : picture;
}

const isWide = ({ icc, space }: Metadata) =>
  icc !== undefined && space !== "cmyk" && !/s\0?R\0?G\0?B/.test(icc.toString("latin1"));

function copyrightOf(bytes: Buffer): string | undefined {
  try {
    const owner = exif(bytes).Image?.Copyright;
    return owner === undefined ? undefined : String(owner);
  } catch {
    return undefined;
  }
}

function into(picture: Sharp, kind: Kind, quality: number): Sharp {
  switch (kind) {
    case "avif":
      return picture.avif({ quality, effort: 1, chromaSubsampling: "4:2:0" });
    case "webp":
      return picture.webp({ quality, effort: 3, alphaQuality: quality });
    case "jpg":
      return picture.jpeg({ quality, mozjpeg: true });
    case "png":
      return picture.png({ palette: true, quality });
  }
}
