import { isImage } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { pixelsNeeded } from "../pixels.ts";
import { about, type View } from "../view.ts";

export const check: Check = {
  name: "wasted",
  severity: "note",
  why: "Pixels that no screen shows are loaded for nothing.",
  scope: "view",
  judge,
};

/** A file has to weigh this much, in bytes, for its pixels to matter, and to have this many more than are needed. */
const wasteful = { bytes: 150 * 1024, share: 0.5 };

/** Pictures with far more pixels than any screen shows, at two device pixels for a CSS pixel. */
function judge(view: View): Sighting[] {
  return view.scenes.flatMap((scene) =>
    scene.layers.flatMap((own): Sighting[] => {
      const { from, to } = scene;
      const { layer, layout, path } = own;
      if (!isImage(layer) || layer.variants || layout.hidden) return [];
      const file = view.pictures.get(layer.image);
      // Of what is delivered in several widths a screen loads what it needs.
      if (!file || file.delivered || file.bytes < wasteful.bytes || file.detail === 0) return [];
      // Other layers with the same file may need more of it.
      const shares = view.scenes.flatMap(({ layers }) =>
        layers.flatMap((other) => {
          const needed =
            isImage(other.layer) && other.layer.image === layer.image && pixelsNeeded(other, view);
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
    }),
  );
}
