import type { Sighting } from "../finding.ts";
import type { SceneView } from "../view.ts";

/** Layers of which nothing is ever in view. */
export function unseen({ scene, layers, from, to }: SceneView): Sighting[] {
  return layers.flatMap(({ layer, layout, path, track, group }): Sighting[] => {
    if (group || layout.hidden || track.some(({ pose }) => pose.visible && pose.opacity > 0)) return [];
    const box = layout.box;
    return [
      {
        scene: scene.name,
        layer: layer.name,
        path,
        from,
        to,
        amount: 1,
        measured: `stands at ${Math.round(box.left)}, ${Math.round(box.top)} in its scene and never comes into view`,
        everywhere: true,
        ...(!layer.rules && { change: [{ op: "add", path: `${path}/hidden`, value: true }] }),
      },
    ];
  });
}
