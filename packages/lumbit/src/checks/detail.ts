import type { Size } from "../core/index.ts";
import type { Raster } from "./picture.ts";

/**
 * The least size, as a share, from which a picture can be enlarged again and shows the same, but for grain; `resized`
 * makes pixels larger and smaller.
 */
export async function detailOf(
  whole: Raster,
  resized: (raster: Raster, to: Size) => Promise<Raster>,
): Promise<number> {
  const { width, height } = whole;
  let detail = 1;
  for (const share of [0.5, 0.25]) {
    const small = { width: Math.ceil(width * share), height: Math.ceil(height * share) };
    const again = await resized(await resized(whole, small), { width, height });
    if (differs(whole.data, again.data)) break;
    detail = share;
  }
  return detail;
}

/** A difference of a value (0..255) that grain makes: it is no detail. */
const grain = 12;

/** One pixel in so many is compared: a picture has millions. */
const compared = 3;

/** Whether more than one pixel in a hundred differs by more than grain, as far as it can be seen. */
function differs(a: Raster["data"], b: Raster["data"]): boolean {
  const most = 0.01 * (a.length / 4 / compared);
  let different = 0;
  for (let at = 0; at < a.length && different <= most; at += 4 * compared) {
    const alpha = a[at + 3] as number;
    const other = b[at + 3] as number;
    let apart = Math.abs(alpha - other) * 255;
    for (let channel = at; channel < at + 3; channel++)
      apart = Math.max(apart, Math.abs((a[channel] as number) * alpha - (b[channel] as number) * other));
    if (apart > grain * 255) different++;
  }
  return different > most;
}
