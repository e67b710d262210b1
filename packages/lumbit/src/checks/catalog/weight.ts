import { type AnyLayer, hasPane, isGroup, isImage, type Scene } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { fileAt } from "../pixels.ts";
import type { View } from "../view.ts";

export const check: Check = {
  name: "weight",
  severity: "warning",
  why: "Heavy pages come late, and pictures that do not fit into memory make scrolling stutter.",
  scope: "view",
  judge,
};

const mega = 1024 * 1024;
/** Bytes of all pictures; bytes of the decoded ones that are in view at once; layers that move in view at once. */
const most = { bytes: 5 * mega, memory: 256 * mega, layers: 60 };

/** Pages whose pictures are too many bytes to load, too large to hold in memory, or too many to move at once. */
function judge(view: View): Sighting[] {
  const { pictures, scenes, viewport } = view;
  const loads = picturesOf(view);
  const bytes = loads.reduce((sum, path) => sum + (pictures.get(path)?.bytes ?? 0), 0);
  const heaviest = loads
    .map((path) => ({ path, bytes: pictures.get(path)?.bytes ?? 0 }))
    .toSorted((a, b) => b.bytes - a.bytes)[0];
  const whole = { path: "/scenes", from: 0, to: view.layout.scrollHeight - view.viewport.height };
  const loaded: Sighting[] =
    bytes > most.bytes && heaviest
      ? [
          {
            ...whole,
            amount: bytes,
            measured: `${(bytes / mega).toFixed(1)} MB of pictures, the heaviest "${heaviest.path}" with ${(heaviest.bytes / mega).toFixed(1)} MB`,
          },
        ]
      : [];
  const crowded = scenes.flatMap(({ scene, layers, path, from, to }): Sighting[] => {
    const shown = layers.filter(
      ({ layout, track }) => !layout.hidden && track.some(({ pose }) => pose.visible),
    );
    const files = new Set(shown.flatMap(({ layer }) => (isImage(layer) ? [fileAt(layer, viewport)] : [])));
    const memory = [...files].reduce((sum, file) => {
      const { width = 0, height = 0 } = pictures.get(file) ?? {};
      return sum + 4 * width * height;
    }, 0);
    const moving = shown.filter(({ layout, group }) => !group && layout.speed !== 1).length;
    const heavy = memory > most.memory;
    const measured = heavy
      ? `its pictures take ${Math.round(memory / mega)} MB of memory when decoded`
      : moving > most.layers
        ? `${moving} layers move at once`
        : undefined;
    return measured
      ? [
          {
            ...{ scene: scene.name, path, from, to, amount: Math.max(memory, moving), measured },
            ...(!heavy && { change: grouped(scene, path) }),
          },
        ]
      : [];
  });
  return [...loaded, ...crowded];
}

/** Lets the longest row of layers that move alike move as one group. */
function grouped({ layers }: Scene, path: string): Change[] | undefined {
  const rows = layers.reduce<AnyLayer[][]>((rows, layer) => {
    const row = rows.at(-1);
    if (row?.[0] && isAlike(row[0], layer)) row.push(layer);
    else rows.push([layer]);
    return rows;
  }, []);
  const [row] = rows.toSorted((a, b) => b.length - a.length);
  const [first] = row ?? [];
  if (!row || !first || row.length < 2) return undefined;
  const at = layers.indexOf(first);
  const { depth, speed, direction } = first;
  const value = {
    name: `${first.name}-and-more`,
    ...(depth !== undefined && { depth }),
    ...(speed !== undefined && { speed }),
    ...(direction !== undefined && { direction }),
    place: { left: 0, top: 0, width: "100%", height: "100%" },
    layers: row.map(({ depth: _depth, speed: _speed, direction: _direction, ...layer }) => layer),
  };
  return [
    { op: "replace", path: `${path}/layers/${at}`, value },
    // From the last on: each that is taken out moves those behind it.
    ...row
      .slice(1)
      .map((_, index) => ({ op: "remove" as const, path: `${path}/layers/${at + 1 + index}` }))
      .reverse(),
  ];
}

/** Whether two layers can move as one: neither has anything but its place that depends on its passage or screen. */
const isAlike = (a: AnyLayer, b: AnyLayer): boolean =>
  [a, b].every(
    (layer) =>
      layer.place &&
      !isGroup(layer) &&
      !hasPane(layer) &&
      [layer.order, layer.travel, layer.ramps, layer.hold, layer.cue, layer.rules].every(
        (own) => own === undefined,
      ),
  ) &&
  a.depth === b.depth &&
  a.speed === b.speed &&
  a.direction === b.direction;

/** The pictures that a page loads at a viewport, as dense as its screen. */
const picturesOf = ({ scenes, page: { page }, viewport }: View): string[] => [
  ...new Set([
    ...(page?.backdrop ? [page.backdrop.image] : []),
    ...scenes.flatMap(({ layers }) =>
      layers.flatMap(({ layer, layout }) =>
        isImage(layer) && !layout.hidden ? [fileAt(layer, viewport)] : [],
      ),
    ),
  ]),
];
