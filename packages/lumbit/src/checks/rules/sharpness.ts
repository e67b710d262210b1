import { isImage, overscans } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import type { LayerView, SceneView, View } from "../view.ts";

/** By how much a picture may be enlarged before it is seen to be soft, by device pixels for a CSS pixel. */
const tolerance = { 1: 1.35, 2: 2 };
/** Screens up to this width, in px, show two device pixels for a CSS pixel. */
const denseUpTo = 1024;

/** Pictures with fewer pixels than their place on the screen has, after cover, overscan and scale. */
export function sharpness({ scene, layers, from, to }: SceneView, view: View): Sighting[] {
  return layers.flatMap((own): Sighting[] => {
    const needed = pixelsNeeded(own, view);
    if (!needed || needed.share <= tolerance[needed.density] || own.layout.blur > 1) return [];
    return [
      {
        scene: scene.name,
        layer: own.layer.name,
        path: own.path,
        from,
        to,
        amount: needed.share,
        measured: `${needed.width} x ${needed.height} px are needed at ${needed.density}x, the file has ${needed.file.width} x ${needed.file.height}: enlarged ${needed.share.toFixed(1)} times`,
      },
    ];
  });
}

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
  const density: 1 | 2 = viewport.width <= denseUpTo ? 2 : 1;
  const file = pictures.get(layer.variants?.[density] ?? layer.image);
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
