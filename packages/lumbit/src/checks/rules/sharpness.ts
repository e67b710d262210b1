import { type ImageLayer, isImage, overscans, parseLength, type Viewport } from "../../core/index.ts";
import type { Change, Sighting } from "../finding.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

/** By how much a picture may be enlarged before it is seen to be soft, by device pixels for a CSS pixel. */
const tolerance = { 1: 1.35, 2: 2 };
/** Screens up to this width, in px, show two device pixels for a CSS pixel. */
const denseUpTo = 1024;

/** Pictures with fewer pixels than their place on the screen has, after cover, overscan and scale. */
export function sharpness(scene: SceneView, view: View): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const needed = pixelsNeeded(own, view);
    if (!needed || needed.share <= tolerance[needed.density] || own.layout.blur > 1) return [];
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: needed.share,
        measured: `${sizeAt(1, needed)} px are needed at 1x, ${sizeAt(2, needed)} at 2x; the file has ${needed.file.width} x ${needed.file.height}`,
        change: smaller(own, tolerance[needed.density] / needed.share),
      },
    ];
  });
}

const sizeAt = (density: number, needed: PixelsNeeded) =>
  [needed.width, needed.height].map((side) => Math.ceil((side * density) / needed.density)).join(" x ");

/** A picture that would have to be less than this share of its size is another composition: it takes another file. */
const leastShare = 0.6;

/** The size at which the picture is sharp, in the units of its place. */
function smaller({ layer, path }: LayerView, share: number): Change[] | undefined {
  const { place, rules, locked } = layer;
  const sizes = (["width", "height"] as const).filter((size) => place?.[size] !== undefined);
  const stretched =
    (place?.left !== undefined && place.right !== undefined) ||
    (place?.top !== undefined && place.bottom !== undefined);
  const lengths = sizes.map((size) => parseLength(place?.[size] ?? 0));
  if (share < leastShare || sizes.length === 0 || stretched || rules || locked) return undefined;
  if (lengths.includes(undefined)) return undefined;
  return sizes.map((size) => {
    const { value, unit } = parseLength(place?.[size] ?? 0) ?? { value: 0, unit: "px" };
    const length = Math.floor(value * share * 10) / 10;
    return { op: "replace", path: `${path}/place/${size}`, value: `${length}${unit}` };
  });
}

/** A file has to weigh this much, in bytes, for its pixels to matter, and to have this many more than are needed. */
const wasteful = { bytes: 150 * 1024, share: 0.5 };

/** Pictures with far more pixels than any screen shows, at two device pixels for a CSS pixel. */
export function wasted(scene: SceneView, view: View): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const { layer, layout, path } = own;
    if (!isImage(layer) || layer.variants || layout.hidden) return [];
    const file = view.pictures.get(layer.image);
    if (!file || file.bytes < wasteful.bytes || file.detail === 0) return [];
    // Other layers with the same file may need more of it.
    const shares = view.scenes.flatMap(({ layers }) =>
      layers.flatMap((other) => {
        const needed = isImage(other.layer) && other.layer.image === layer.image && pixelsNeeded(other, view);
        // Not by its detail: a smaller copy may have as little, and would be too small then.
        return needed ? [(needed.enlarged * 2) / needed.density] : [];
      }),
    );
    const share = Math.max(...shares);
    if (shares.length === 0 || share > wasteful.share) return [];
    const size = { width: Math.ceil(file.width * share), height: Math.ceil(file.height * share) };
    const copy = layer.image.replace(/(\.\w+)?$/, `-${size.width}$1`);
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: share,
        measured: `${size.width} x ${size.height} px are enough at 2x, the file has ${file.width} x ${file.height} and ${Math.round(file.bytes / 1024)} kB`,
        everywhere: "finding",
        ...(!layer.rules && {
          change: [{ op: "replace", path: `${path}/image`, value: copy }],
          copies: [{ from: layer.image, to: copy, ...size }],
        }),
      },
    ];
  });
}

const densityAt = ({ width }: Viewport): 1 | 2 => (width <= denseUpTo ? 2 : 1);

/** The file of a picture that a screen loads. */
export const fileAt = ({ image, variants }: ImageLayer, viewport: Viewport): string =>
  variants?.[densityAt(viewport)] ?? image;

export interface PixelsNeeded {
  /** Device pixels for a CSS pixel. */
  density: 1 | 2;
  width: number;
  height: number;
  file: { width: number; height: number };
  /** By how much its pixels are enlarged. */
  enlarged: number;
  /** By how much its detail is enlarged: more than 1 is soft. */
  share: number;
}

/** How many pixels a picture needs at a viewport where it is drawn largest, and how many its file has. */
export function pixelsNeeded(
  { layer, track, layout }: LayerView,
  { viewport, pictures }: View,
): PixelsNeeded | undefined {
  if (!isImage(layer) || layout.hidden) return undefined;
  const density = densityAt(viewport);
  const file = pictures.get(fileAt(layer, viewport));
  if (!file) return undefined;
  const largest = track
    .filter(({ pose }) => pose.visible || overscans(layer))
    .map(({ pose }) => pose)
    .toSorted((a, b) => b.width * b.height - a.width * a.height)[0];
  if (!largest) return undefined;
  const ratios = [largest.width / file.width, largest.height / file.height];
  const scale = density * (layer.fit === "contain" ? Math.min(...ratios) : Math.max(...ratios));
  const share = scale * (file.detail ?? 1);
  return {
    density,
    width: Math.ceil(file.width * share),
    height: Math.ceil(file.height * share),
    file: { width: file.width, height: file.height },
    enlarged: scale,
    share,
  };
}
