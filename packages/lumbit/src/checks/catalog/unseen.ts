import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { about, type SceneView } from "../view.ts";

export const check: Check = {
  name: "unseen",
  severity: "warning",
  why: "A layer that never comes into view is loaded for nothing.",
  scope: "scene",
  judge,
};

/** Layers of which nothing is ever in view. */
function judge(scene: SceneView): Sighting[] {
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
