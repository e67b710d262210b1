import type { Assets } from "lumbit";
import { cropped, isImage } from "lumbit/internal";
import type { Shown } from "./shown.ts";

/** How much of a picture is there: opacities from 0 to 255 of a small copy, row by row. */
interface Alphas {
  width: number;
  height: number;
  values: Uint8ClampedArray;
}

/** The longer side of the copies, in px. */
const longest = 192;
/** What has less opacity than this, of 255, is looked through. */
const least = 24;

const known = new Map<string, Promise<Alphas | undefined>>();
const ready = new Map<string, Alphas>();

/** Has a picture looked at, so that clicks go through where there is nothing of it. */
function look(url: string): void {
  if (known.has(url)) return;
  known.set(
    url,
    alphasOf(url).then((alphas) => {
      if (alphas) ready.set(url, alphas);
      return alphas;
    }),
  );
}

async function alphasOf(url: string): Promise<Alphas | undefined> {
  const image = new Image();
  image.src = url;
  try {
    await image.decode();
    const share = Math.min(1, longest / Math.max(image.naturalWidth, image.naturalHeight));
    const [width, height] = [image.naturalWidth, image.naturalHeight].map((side) =>
      Math.max(1, Math.round(side * share)),
    ) as [number, number];
    const canvas = document.createElement("canvas");
    Object.assign(canvas, { width, height });
    const context = canvas.getContext("2d", { willReadFrequently: true });
    context?.drawImage(image, 0, 0, width, height);
    const pixels = context?.getImageData(0, 0, width, height).data;
    return pixels && { width, height, values: pixels.filter((_, index) => index % 4 === 3) };
  } catch {
    return undefined;
  }
}

/** Whether anything of a layer is to be seen at a point of its box; of what is not known yet everything is. */
export function isThere(
  { layer, pose }: Shown,
  point: { x: number; y: number },
  { pictures }: Assets,
): boolean {
  const picture = isImage(layer) ? pictures[layer.image] : undefined;
  if (!picture || !isImage(layer)) return layer.layers === undefined || layer.background !== undefined;
  look(picture.url);
  const alphas = ready.get(picture.url);
  if (!alphas) return true;
  const turn = (-pose.rotate * Math.PI) / 180;
  const [x, y] = [point.x - pose.left - pose.width / 2, point.y - pose.top - pose.height / 2];
  const share = cropped(
    alphas,
    pose,
    layer.subject ?? [0.5, 0.5],
    layer.fit !== "contain",
    (x * Math.cos(turn) - y * Math.sin(turn)) / pose.width + 0.5,
    (x * Math.sin(turn) + y * Math.cos(turn)) / pose.height + 0.5,
  );
  const at = (part: number, of: number) => Math.min(of - 1, Math.max(0, Math.floor(part * of)));
  const alpha = alphas.values[at(share.y, alphas.height) * alphas.width + at(share.x, alphas.width)] ?? 0;
  return alpha >= least;
}
