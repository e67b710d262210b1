import { type Picture, type Seen, seenAt } from "lumbit/checks";
import type { Page, Viewport } from "lumbit/core";
import { Font } from "../font.ts";
import { naturalSizes } from "../natural.ts";
import type { Asset } from "../project.ts";
import { type Look, lookAt } from "./look.ts";

/** A project in what can be given to another thread. */
export interface Judged {
  page: Page;
  pictures: ReadonlyMap<string, Picture>;
  fonts: readonly Asset[];
  viewport: Viewport;
}

/** What is seen of a picture, or why it cannot be decoded. */
export const look = (asset: Asset): Promise<Look | string> =>
  lookAt({ ...asset, bytes: Buffer.from(asset.bytes) });

/** What the rules see at a viewport. */
export async function judge({ page, pictures, fonts, viewport }: Judged): Promise<Seen[]> {
  const opened = await Promise.all(
    fonts.map(async ({ path, bytes }) => ({ path, font: await Font.open(Buffer.from(bytes)) })),
  );
  const { natural } = naturalSizes({
    page,
    pictures: [...pictures].map(([path, { width, height }]) => ({ path, width, height })),
    fonts: opened.flatMap(({ path, font }) => (font ? [{ path, font }] : [])),
  });
  return seenAt({ page, natural, pictures }, viewport);
}
