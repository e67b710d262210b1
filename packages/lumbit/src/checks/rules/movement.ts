import { isGroup } from "../../core/index.ts";
import type { Change, Sighting } from "../finding.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

/** How far a layer has to move against its scene to be noticed, as a share of the viewport's height. */
const leastMovement = 0.01;
/** The speed, against the page, above which readers lose their place. */
const mostDrift = 1.5;

/** How far a layer moves against its scene in what can be scrolled of it, in px, and how fast. */
function movementOf({ layout, track }: LayerView): { distance: number; drift: number } {
  const drift = Math.hypot(layout.drift.x, layout.drift.y);
  const seen = track.filter(({ pose }) => pose.visible);
  const [first, last] = [seen[0], seen.at(-1)];
  return { drift, distance: first && last ? drift * (last.scroll - first.scroll) : 0 };
}

/** Layers that move, but less than anyone notices. */
export function faint(scene: SceneView, view: View): Sighting[] {
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

/** Layers that rush past. */
export function strong(scene: SceneView): Sighting[] {
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

/** A page that moves, but cannot be scrolled far enough to show it. */
export function room({ scenes, layout, viewport }: View): Sighting[] {
  const reach = layout.scrollHeight - viewport.height;
  const moves = scenes.some(({ layers }) => layers.some((own) => movementOf(own).drift !== 0));
  const last = scenes.at(-1);
  if (!moves || !last || reach >= viewport.height / 4) return [];
  return [
    {
      path: "/scenes",
      from: 0,
      to: reach,
      amount: viewport.height / 4 - reach,
      measured: `the page can be scrolled by ${Math.round(reach)} px`,
      ...(scenes.length === 1 &&
        !last.scene.rules &&
        !last.scene.content && {
          change: [
            {
              op: last.scene.height === undefined ? ("add" as const) : ("replace" as const),
              path: `${last.path}/height`,
              value: "130vh",
            },
          ],
        }),
    },
  ];
}
