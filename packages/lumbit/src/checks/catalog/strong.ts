import { isGroup } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { movementOf } from "../movement.ts";
import { about, type SceneView } from "../view.ts";

export const check: Check = {
  name: "strong",
  severity: "warning",
  why: "Large movement against the page makes readers lose their place, and some of them ill.",
  scope: "scene",
  judge,
};

/** The speed, against the page, above which readers lose their place. */
const mostDrift = 1.5;

/** Layers that rush past. */
function judge(scene: SceneView): Sighting[] {
  const { layers, from, to } = scene;
  return layers.flatMap((own): Sighting[] => {
    const { drift } = movementOf(own);
    const { layer, layout, path, group } = own;
    if (group || layout.hidden || isGroup(layer) || drift <= mostDrift) return [];
    // Relief and the camera make drift of speed in proportion.
    const speed = Math.floor(100 * (1 + (mostDrift * (layout.speed - 1)) / drift)) / 100;
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: drift,
        measured: `moves ${drift.toFixed(2)} px against the page for each scrolled px; ${mostDrift} is comfortable`,
        ...(!layer.rules &&
          layout.speed > 1 && {
            change: [
              layer.speed === undefined
                ? { op: "replace", path: `${path}/depth`, value: Math.ceil(100 * (1 / speed - 1)) / 100 }
                : { op: "replace", path: `${path}/speed`, value: speed },
            ],
          }),
      },
    ];
  });
}
