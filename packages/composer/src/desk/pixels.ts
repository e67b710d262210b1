import type { Assets } from "lumbit";
import type { Layer } from "lumbit/core";
import { contains, cropped, inPaintOrder, isImage, withInner } from "lumbit/internal";
import type { Stands } from "../stage/messages.ts";
import { type Shown, shownIn } from "./shown.ts";

/** Where something is on a stage's screen, in px. */
interface Point {
  x: number;
  y: number;
}

/** Red, green, blue and opacity, each from 0 to 255. */
type Pixel = readonly [red: number, green: number, blue: number, alpha: number];

/** The longer side of the copies, in px. */
const longest = 192;
/** What has less opacity than this, of 255, is looked through. */
const least = 24;

const known = new Map<string, Promise<void>>();
/** Small copies of pictures that were looked at. */
const ready = new Map<string, ImageData>();

/** Has a picture looked at. */
function look(url: string): Promise<void> {
  const looking =
    known.get(url) ??
    copyOf(url).then((copy) => {
      if (copy) ready.set(url, copy);
    });
  known.set(url, looking);
  return looking;
}

async function copyOf(url: string): Promise<ImageData | undefined> {
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
    return context?.getImageData(0, 0, width, height);
  } catch {
    return undefined;
  }
}

/** The layers of the scenes that a stage shows a part of. */
export const layersOnScreen = ({ layout, scroll }: Stands): Layer[] =>
  layout.scenes
    .filter(({ top, height }) => top < scroll + layout.viewport.height && top + height > scroll)
    .flatMap(({ layers }) => layers.flatMap(withInner).map(({ layer }) => layer));

/** Has all pictures of layers looked at, which they are from then on. */
export async function lookAt(layers: readonly Layer[], { pictures }: Assets): Promise<void> {
  await Promise.all(
    layers.flatMap((layer) => {
      const picture = isImage(layer) ? pictures[layer.image] : undefined;
      return picture ? [look(picture.url)] : [];
    }),
  );
}

/** What a copy of a picture has at a point of a layer's box. */
function pixelOf({ layer, pose }: Shown, point: Point, { pictures }: Assets): Pixel | undefined {
  const copy = isImage(layer) ? ready.get(pictures[layer.image]?.url ?? "") : undefined;
  if (!copy || !isImage(layer)) return undefined;
  const turn = (-pose.rotate * Math.PI) / 180;
  const [x, y] = [point.x - pose.left - pose.width / 2, point.y - pose.top - pose.height / 2];
  const share = cropped(
    copy,
    pose,
    layer.subject ?? [0.5, 0.5],
    layer.fit !== "contain",
    (x * Math.cos(turn) - y * Math.sin(turn)) / pose.width + 0.5,
    (x * Math.sin(turn) + y * Math.cos(turn)) / pose.height + 0.5,
  );
  const at = (part: number, of: number) => Math.min(of - 1, Math.max(0, Math.floor(part * of)));
  const from = 4 * (at(share.y, copy.height) * copy.width + at(share.x, copy.width));
  return [...copy.data.slice(from, from + 4)] as unknown as Pixel;
}

/** Whether anything of a layer is to be seen at a point of its box; of what is not known yet everything is. */
export function isThere(shown: Shown, point: Point, assets: Assets): boolean {
  const { layer } = shown;
  const picture = isImage(layer) ? assets.pictures[layer.image] : undefined;
  if (!picture) return layer.layers === undefined || layer.background !== undefined;
  return (pixelOf(shown, point, assets)?.[3] ?? 255) >= least;
}

/** Whether light letters read on what a scene shows at points: its pictures and plain shapes, over a ground. */
export async function isDark(
  { layout, scroll }: Stands,
  scene: string,
  ground: string | undefined,
  points: readonly Point[],
  assets: Assets,
): Promise<boolean> {
  const painted = inPaintOrder(layout.scenes.find(({ name }) => name === scene)?.layers ?? []).map(
    ({ name }) => name,
  );
  const layers = shownIn(layout, scene, scroll).toSorted(
    (a, b) => painted.indexOf(a.name.layer) - painted.indexOf(b.name.layer),
  );
  await lookAt(
    layers.map(({ layer }) => layer),
    assets,
  );
  const canvas = Object.assign(document.createElement("canvas"), { width: points.length, height: 1 });
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) return false;
  for (const [index, point] of points.entries()) {
    const colors = layers
      .filter(({ bounds }) => contains(bounds, point))
      .map((shown) => {
        const [red, green, blue, alpha] = pixelOf(shown, point, assets) ?? [];
        return alpha === undefined
          ? shown.layer.background
          : `rgb(${red} ${green} ${blue} / ${(alpha / 255) * shown.pose.opacity})`;
      });
    // The canvas lays them over each other.
    for (const color of ["white", ground, ...colors])
      if (color !== undefined && CSS.supports("color", color)) {
        context.fillStyle = color;
        context.fillRect(index, 0, 1, 1);
      }
  }
  const { data } = context.getImageData(0, 0, points.length, 1);
  const light = points.map((_, index) => {
    const [red = 0, green = 0, blue = 0] = data.slice(4 * index);
    return (0.2126 * red + 0.7152 * green + 0.0722 * blue) / 255;
  });
  // White and black letters have about the same contrast here.
  return light.reduce((sum, one) => sum + one, 0) / light.length < 0.46;
}
