import type { Sighting } from "../finding.ts";
import { about, type SceneView } from "../view.ts";

/** Layers of which nothing is ever in view. */
export function unseen(scene: SceneView): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const { layer, layout, path, track, group } = own;
    if (group || layout.hidden || track.some(({ pose }) => pose.visible && pose.opacity > 0)) return [];
    const box = layout.box;
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: 1,
        measured: `stands at ${Math.round(box.left)}, ${Math.round(box.top)} in its scene and never comes into view`,
        everywhere: "change",
        ...(!layer.rules && { change: [{ op: "add", path: `${path}/hidden`, value: true }] }),
      },
    ];
  });
}
