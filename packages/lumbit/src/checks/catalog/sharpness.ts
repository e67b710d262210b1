import { parseLength } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { type PixelsNeeded, pixelsNeeded } from "../pixels.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "sharpness",
  severity: "warning",
  why: "A picture with fewer pixels than its place on the screen looks soft.",
  scope: "scene",
  judge,
};

/** By how much a picture may be enlarged before it is seen to be soft, by device pixels for a CSS pixel. */
const tolerance = { 1: 1.35, 2: 2 };

/** Pictures with fewer pixels than their place on the screen has, after cover, overscan and scale. */
function judge(scene: SceneView, view: View): Sighting[] {
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
