import { type ImageLayer, isImage, overscans, type Viewport } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
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
        measured: `${needed.width} x ${needed.height} px are needed at ${needed.density}x, the file has ${needed.file.width} x ${needed.file.height}: enlarged ${needed.share.toFixed(1)} times`,
      },
    ];
  });
}

/** A file has to weigh this much, in bytes, for its pixels to matter, and to have this many more than are needed. */
const wasteful = { bytes: 150 * 1024, share: 0.5 };

/** Pictures with far more pixels than any screen shows, at two device pixels for a CSS pixel. */
export function wasted(scene: SceneView, view: View): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const needed = pixelsNeeded(own, view);
    const { image = "" } = isImage(own.layer) ? own.layer : {};
    const bytes = view.pictures.get(image)?.bytes ?? 0;
    if (!needed || bytes < wasteful.bytes) return [];
    const share = (needed.share * 2) / needed.density;
    if (share > wasteful.share) return [];
    const { width, height } = needed.file;
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: share,
        measured: `${Math.ceil(width * share)} x ${Math.ceil(height * share)} px are enough at 2x, the file has ${width} x ${height} and ${Math.round(bytes / 1024)} kB`,
        everywhere: "finding",
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
    share,
  };
}
