import { createHash } from "node:crypto";
import { type KnownPicture, type Seen, seenAt } from "lumbit/checks";
import type { Page, Viewport } from "lumbit/core";
import { naturalSizes } from "lumbit/text";
import { Font } from "../font.ts";
import type { Asset } from "../project.ts";
import type { Look } from "./look.ts";

/** A project in what can be given to another thread. */
export interface Task {
  page: Page;
  pictures: ReadonlyMap<string, KnownPicture>;
  fonts: readonly Asset[];
  /** The sizes of films in bytes, by their paths. */
  videos: ReadonlyMap<string, number>;
  viewport: Viewport;
  /** What was seen before of much the same page. */
  before?: Seen | undefined;
}

/** What is seen of a picture, or why it cannot be decoded. */
export const look = async (asset: Asset): Promise<Look | string> =>
  (await looking()).lookAt({ ...asset, bytes: Buffer.from(asset.bytes) });

/** How much detail a picture has. */
export const detail = async ({ bytes }: Pick<Asset, "bytes">): Promise<number> =>
  (await looking()).detailIn({ bytes: Buffer.from(bytes) });

/** Loaded when there is something to look at: decoders are slow to start, and most runs know all pictures. */
const looking = () => import("./look.ts");

/** What the checks see at a viewport. */
export async function judge({ page, pictures, fonts, videos, viewport, before }: Task): Promise<Seen> {
  const read = await Promise.all(
    fonts.map(async ({ path, bytes }) => ({ path, font: await opened(Buffer.from(bytes)) })),
  );
  const { natural } = naturalSizes({
    page,
    pictures: [...pictures].map(([path, { width, height }]) => ({ path, width, height })),
    fonts: read.flatMap(({ path, font }) => (font ? [{ path, font }] : [])),
  });
  return seenAt({ page, natural, pictures, videos }, viewport, before);
}

const known = new Map<string, Promise<Font | undefined>>();

/** A font is opened once, not for every viewport that is judged with it. */
function opened(bytes: Buffer): Promise<Font | undefined> {
  const key = createHash("sha256").update(bytes).digest("hex");
  const font = known.get(key) ?? Font.open(bytes);
  known.set(key, font);
  return font;
}
