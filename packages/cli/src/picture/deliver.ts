import { availableParallelism } from "node:os";
import type { Page } from "lumbit/core";
import { apart, type DrawnWidths, drawnWidths, neededWidths } from "lumbit/static";
import pMap from "p-map";
import { say } from "../progress.ts";
import type { PictureAsset } from "../project.ts";
import { type Delivery, encoded, type Kind, kinds } from "./encode.ts";
import { placeholderOf } from "./placeholder.ts";
import { isDelivered } from "./still.ts";

/** A file of a picture as it is delivered. */
export interface DeliveredFile {
  bytes: Buffer;
  /** In px. */
  width: number;
  /** The ending of files of its kind. */
  extension: string;
}

/** A picture as it is delivered: what browsers choose from, and what stands there before. */
export interface DeliveredPicture {
  /** The kind that a browser takes first before the others. */
  sources: { type: string; files: DeliveredFile[] }[];
  /** For browsers that know none of the sources. */
  plain: DeliveredFile;
  placeholder?: string;
}

export interface Deliveries {
  drawn: DrawnWidths;
  /** By path; those that are better left as they are, are not there. */
  pictures: Map<string, DeliveredPicture>;
}

const deliveryDefaults: Delivery = { similarity: 0.985, copyright: false };

/** Browsers that read WebP but no AVIF are few: of WebP every file is so much narrower than the next. */
const webpSteps = 0.35;
/** Browsers that read neither are fewer: one file, which is so wide or wider. */
const plainWidth = 1280;

/** The pictures of a page in the kinds and widths that it needs. */
export async function deliver(page: Page, assets: readonly PictureAsset[]): Promise<Deliveries> {
  const files = Object.fromEntries(assets.map(({ path, width, height }) => [path, { width, height }]));
  const drawn = drawnWidths(page, files);
  const widths = neededWidths(page, files, drawn);
  const how = { ...deliveryDefaults, ...page.pictures };
  const wanted = assets.filter(({ path }) => (widths.get(path)?.length ?? 0) > 0);
  let done = 0;
  const delivered = await pMap(
    wanted,
    async (asset) => {
      const picture = await deliverOne(asset, widths.get(asset.path) ?? [], how);
      say(`making pictures: ${++done} of ${wanted.length}`);
      return [asset.path, picture] as const;
    },
    { concurrency: availableParallelism() },
  );
  return {
    drawn,
    pictures: new Map(delivered.flatMap(([path, picture]) => (picture ? [[path, picture] as const] : []))),
  };
}

async function deliverOne(
  asset: PictureAsset,
  widths: readonly number[],
  how: Delivery,
): Promise<DeliveredPicture | undefined> {
  if (!(await isDelivered(asset))) return undefined;
  const { bytes, extension, width } = asset;
  const original: DeliveredFile = { bytes, width, extension };
  const of = async (kind: Kind, some: readonly number[]): Promise<DeliveredFile[]> => {
    const made: DeliveredFile[] = [];
    for (const width of some) {
      const file = { bytes: await encoded(bytes, kind, width, how), width, extension: kind };
      if (file.bytes.byteLength < bytes.byteLength) made.push(file);
      else if (kind === extension && made.length === 0) made.push(original);
    }
    return made;
  };
  const widest = widths.slice(0, 1);
  const [avif, webp] = await Promise.all(kinds.map((kind) => of(kind, widest)));
  const bytesOf = ([file]: DeliveredFile[] = []) => file?.bytes.byteLength ?? Number.POSITIVE_INFINITY;
  // A kind that is larger than one that more browsers read is of no use.
  const best = bytesOf(avif) < bytesOf(webp) ? kinds : kinds.slice(1);
  const sources: DeliveredPicture["sources"] = [];
  for (const [index, kind] of best.entries()) {
    const some = index === 0 ? widths : apart(widths, webpSteps);
    const files = await of(kind, some);
    // Where the widest one is larger than the picture is, that stays as it is.
    if (files[0]?.width === some[0] || files[0] === original) sources.push({ type: `image/${kind}`, files });
  }
  if (sources.every(({ files }) => files.every((file) => file === original))) return undefined;
  const plainest = widths.findLast((one) => one >= plainWidth) ?? (widths[0] as number);
  const [plain = original] = await of(extension as Kind, [plainest]);
  const placeholder = await placeholderOf(bytes);
  return { sources, plain, ...(placeholder && { placeholder }) };
}
