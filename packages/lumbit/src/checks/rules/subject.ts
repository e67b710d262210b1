import { isImage } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import { inPane, type SceneView, type View } from "../view.ts";

/** So far may a subject be outside of its pane, as a share of that: a subject is a region, not a point. */
const tolerance = 0.03;

/** Pictures whose subject leaves its pane while most of the pane is in view. */
export function subject({ scene, layers, layout: around }: SceneView, view: View): Sighting[] {
  return layers.flatMap(({ layer, layout, path, track, group }): Sighting[] => {
    if (!isImage(layer) || !layer.subject || layout.hidden || group || !inPane(layer)) return [];
    const [x, y] = layer.subject;
    const file = view.pictures.get(layer.image);
    if (!file) return [];
    const lost = track.flatMap((moment) => {
      const { pose, scene: box, clip } = moment;
      const pane = layout.pane ?? { left: 0, top: 0, width: box.width, height: box.height };
      const top = box.top + pane.top;
      if (clip.height < 0.8 * Math.min(pane.height, view.viewport.height)) return [];
      // What is cropped keeps the subject at its share of the box.
      const point = { x: pose.left + x * pose.width, y: pose.top + y * pose.height };
      const out = Math.max(
        top - point.y,
        point.y - top - pane.height,
        box.left + pane.left - point.x,
        point.x - box.left - pane.left - pane.width,
      );
      return out > tolerance * pane.height ? [{ out, scroll: moment.scroll }] : [];
    });
    const worst = lost.toSorted((a, b) => b.out - a.out)[0];
    if (!worst) return [];
    // As much less drift as brings the subject back to the edge of its pane there.
    const p = view.viewport.height + worst.scroll - around.top;
    const moved = Math.max(1, Math.abs((p - around.settle) * Math.hypot(layout.drift.x, layout.drift.y)));
    const speed = 1 - (1 - layout.speed) * Math.max(0.5, 0.97 - worst.out / moved);
    const depth = Math.round(100 * (1 / speed - 1)) / 100;
    return [
      {
        scene: scene.name,
        layer: layer.name,
        path,
        from: Math.min(...lost.map(({ scroll }) => scroll)),
        to: Math.max(...lost.map(({ scroll }) => scroll)),
        amount: worst.out,
        measured: `its subject is ${Math.round(worst.out)} px outside its frame at scroll ${Math.round(worst.scroll)}`,
        ...(!layer.rules && {
          change: [
            layer.speed === undefined
              ? { op: layer.depth === undefined ? "add" : "replace", path: `${path}/depth`, value: depth }
              : { op: "replace", path: `${path}/speed`, value: Math.round(100 * speed) / 100 },
          ],
        }),
      },
    ];
  });
}
