import { createHash } from "node:crypto";
import { type KnownPicture, type Seen, seenAt } from "lumbit/checks";
import type { Page, Viewport } from "lumbit/core";
import { Font } from "../font.ts";
import { naturalSizes } from "../natural.ts";
import type { Asset } from "../project.ts";
import { type Look, lookAt } from "./look.ts";

/** A project in what can be given to another thread. */
export interface Judged {
  page: Page;
  pictures: ReadonlyMap<string, KnownPicture>;
  fonts: readonly Asset[];
  viewport: Viewport;
}

/** What is seen of a picture, or why it cannot be decoded. */
export const look = (asset: Asset): Promise<Look | string> =>
  lookAt({ ...asset, bytes: Buffer.from(asset.bytes) });

/** What the rules see at a viewport. */
export async function judge({ page, pictures, fonts, viewport }: Judged): Promise<Seen[]> {
  const read = await Promise.all(
    fonts.map(async ({ path, bytes }) => ({ path, font: await opened(Buffer.from(bytes)) })),
  );
  const { natural } = naturalSizes({
    page,
    pictures: [...pictures].map(([path, { width, height }]) => ({ path, width, height })),
    fonts: read.flatMap(({ path, font }) => (font ? [{ path, font }] : [])),
  });
  return seenAt({ page, natural, pictures }, viewport);
}

const known = new Map<string, Promise<Font | undefined>>();

/** A font is opened once, not for every viewport that is judged with it. */
function opened(bytes: Buffer): Promise<Font | undefined> {
  const key = createHash("sha256").update(bytes).digest("hex");
  const font = known.get(key) ?? Font.open(bytes);
  known.set(key, font);
  return font;
}
