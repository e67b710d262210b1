import { type ImageLayer, isImage, overscans, type Viewport } from "../core/index.ts";
import type { LayerView, View } from "./view.ts";

/** Screens up to this width, in px, show two device pixels for a CSS pixel. */
const denseUpTo = 1024;
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
