import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { movementOf } from "../movement.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "faint",
  severity: "note",
  why: "Movement below what is noticed costs something and shows nothing.",
  scope: "scene",
  judge,
};

/** How far a layer has to move against its scene to be noticed, as a share of the viewport's height. */
const leastMovement = 0.01;

/** Layers that move, but less than anyone notices. */
function judge(scene: SceneView, view: View): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const { distance, drift } = movementOf(own);
    const { layer, layout, group } = own;
    const least = leastMovement * view.viewport.height;
    if (group || layout.hidden || drift === 0 || distance === 0 || distance >= least) return [];
    if (view.layout.scrollHeight - view.viewport.height < view.viewport.height / 4) return [];
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: least - distance,
        measured: `moves ${distance.toFixed(1)} px against its scene, less than ${least.toFixed(1)} px are not seen`,
        everywhere: "change",
        ...(!layer.rules && { change: stillness(own) }),
      },
    ];
  });
}

const stillness = ({ layer, path }: LayerView): Change[] => [
  { op: "remove", path: `${path}/${layer.speed === undefined ? "depth" : "speed"}` },
];
