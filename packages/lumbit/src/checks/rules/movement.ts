import { intersection, isGroup, isText } from "../../core/index.ts";
import type { Change, Sighting } from "../finding.ts";
import { about, type LayerView, type Moment, type SceneView, type View } from "../view.ts";

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

/** So much of the screen a large area takes at least, and so fast it moves to one side, in px for each scrolled px. */
const large = { share: 0.4, speed: 0.25 };

/** Pairs of large areas that move to opposite sides at the same time. */
export function opposed(scene: SceneView, view: View): Sighting[] {
  const { layers } = scene;
  const moving = layers.flatMap((own) => {
    const { layer, layout, group } = own;
    const steps = layout.hidden || group || isText(layer) ? [] : largeSteps(own, view);
    return steps.length > 0 ? [{ own, steps }] : [];
  });
  return moving.flatMap(({ own, steps }, index) =>
    moving.slice(0, index).flatMap((other): Sighting[] => {
      const seen = steps.flatMap((step) => {
        const at = other.steps.find(({ from, to }) => from < step.to && to > step.from);
        const apart = at ? Math.max(against(at.x, step.x), against(at.y, step.y)) : 0;
        return apart > 0 ? [{ ...step, apart }] : [];
      });
      const worst = seen.toSorted((a, b) => b.apart - a.apart)[0];
      if (!worst) return [];
      const { layer, path } = own;
      const key = layer.travel ? "travel" : layer.direction === undefined ? undefined : "direction";
      return [
        {
          ...about(scene, own),
          from: Math.min(...seen.map(({ from }) => from)),
          to: Math.max(...seen.map(({ to }) => to)),
          amount: worst.apart,
          measured: `moves against "${other.own.layer.name}" by ${worst.apart.toFixed(2)} px for each scrolled px, both over ${100 * large.share} % of the screen or more`,
          ...(key && !layer.rules && { change: [{ op: "remove", path: `${path}/${key}` }] }),
        },
      ];
    }),
  );
}

/** How fast two movements to opposite sides part; 0 where they do not. */
const against = (a: number, b: number) =>
  a * b < 0 && Math.min(Math.abs(a), Math.abs(b)) >= large.speed ? Math.abs(a - b) : 0;

/** Where a layer covers much of the screen, and how it moves there on the screen, in px for each scrolled px. */
function largeSteps({ track }: LayerView, { viewport }: View) {
  const share = ({ pose, clip }: Moment) => {
    const { width, height } = intersection(pose, clip);
    return pose.opacity < 0.3
      ? 0
      : (Math.max(0, width) * Math.max(0, height)) / (viewport.width * viewport.height);
  };
  return track.slice(1).flatMap((after, index) => {
    const before = track[index] as Moment;
    const length = after.scroll - before.scroll;
    if (length < 1 || Math.min(share(before), share(after)) < large.share) return [];
    return [
      {
        from: before.scroll,
        to: after.scroll,
        x: (after.pose.left - before.pose.left) / length,
        y: (after.pose.top - before.pose.top) / length,
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
