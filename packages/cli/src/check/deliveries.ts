import { heavy, type KnownPicture } from "lumbit/checks";
import { drawnWidths, neededWidths } from "lumbit/static";
import { deliver } from "../picture/deliver.ts";
import { isDelivered } from "../picture/still.ts";
import type { Project } from "../project.ts";

/**
 * Pictures with the files that a build makes of them. They are made only where the originals would be heavy together: no
 * file that is delivered is larger than its original.
 */
export async function withDeliveries(
  known: ReadonlyMap<string, KnownPicture>,
  { page, pictures }: Project,
): Promise<Map<string, KnownPicture>> {
  const files = Object.fromEntries(pictures.map((picture) => [picture.path, picture]));
  const widths = neededWidths(page, files, drawnWidths(page, files));
  const total = [...widths.keys()].reduce((sum, path) => sum + (files[path]?.bytes.byteLength ?? 0), 0);
  const made = total > heavy ? (await deliver(page, pictures)).pictures : undefined;
  return new Map(
    await Promise.all(
      [...known].map(async ([path, picture]): Promise<[string, KnownPicture]> => {
        const own = widths.get(path) ?? [];
        const asset = files[path];
        if (own.length === 0 || !asset || !(await isDelivered(asset))) return [path, picture];
        const most = own.map((width) => ({ width, bytes: picture.bytes }));
        const delivered = made
          ?.get(path)
          ?.sources[0]?.files.map(({ width, bytes }) => ({ width, bytes: bytes.byteLength }));
        return [path, { ...picture, delivered: delivered ?? most }];
      }),
    ),
  );
}
