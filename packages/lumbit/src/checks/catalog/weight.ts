import { type AnyLayer, hasPane, isGroup, isImage, type Scene } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { fileAt, pixelsNeeded } from "../pixels.ts";
import type { LayerView, View } from "../view.ts";

export const check: Check = {
  name: "weight",
  severity: "warning",
  why: "Heavy pages come late, and pictures that do not fit into memory make scrolling stutter.",
  scope: "view",
  judge,
};

const mega = 1024 * 1024;
/** Bytes of all pictures and films that a page may load without being heavy. */
export const heavy = 5 * mega;
/** Bytes of decoded pictures that are in view at once; layers that move in view at once. */
const most = { memory: 256 * mega, layers: 60 };

/** Pages whose pictures and films are too many bytes to load, too large to hold in memory, or too many to move at once. */
function judge(view: View): Sighting[] {
  const { scenes } = view;
  const loads = distinct([
    ...backdropOf(view),
    ...scenes.flatMap(({ layers }) => layers.flatMap((own) => loadedBy(own, view))),
    ...filmsOf(view),
  ]);
  const bytes = loads.reduce((sum, file) => sum + file.bytes, 0);
  const heaviest = loads.toSorted((a, b) => b.bytes - a.bytes)[0];
  const whole = { path: "/scenes", from: 0, to: view.layout.scrollHeight - view.viewport.height };
  const loaded: Sighting[] =
    bytes > heavy && heaviest
      ? [
          {
            ...whole,
            amount: bytes,
            measured: `${(bytes / mega).toFixed(1)} MB of ${view.videos.size > 0 ? "pictures and films" : "pictures"}, the heaviest "${heaviest.path}" with ${(heaviest.bytes / mega).toFixed(1)} MB`,
          },
        ]
      : [];
  const crowded = scenes.flatMap(({ scene, layers, path, from, to }): Sighting[] => {
    const shown = layers.filter(
      ({ layout, track }) => !layout.hidden && track.some(({ pose }) => pose.visible),
    );
    const memory = distinct(shown.flatMap((own) => loadedBy(own, view))).reduce(
      (sum, { width, height }) => sum + 4 * width * height,
      0,
    );
    const moving = shown.filter(({ layout, group }) => !group && layout.speed !== 1).length;
    const large = memory > most.memory;
    const measured = large
      ? `its pictures take ${Math.round(memory / mega)} MB of memory when decoded`
      : moving > most.layers
        ? `${moving} layers move at once`
        : undefined;
    return measured
      ? [
          {
            ...{ scene: scene.name, path, from, to, amount: Math.max(memory, moving), measured },
            ...(!large && { change: grouped(scene, path) }),
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

/** A file that a screen loads. */
interface Loaded {
  path: string;
  bytes: number;
  width: number;
  height: number;
}

/** The file of a layer's picture that a screen loads: of those that are delivered the one that is wide enough. */
function loadedBy({ layer, layout, ...own }: LayerView, view: View): Loaded[] {
  if (!isImage(layer) || layout.hidden) return [];
  const path = fileAt(layer, view.viewport);
  const file = view.pictures.get(path);
  if (!file) return [];
  const needed = file.width * (pixelsNeeded({ layer, layout, ...own }, view)?.enlarged ?? 1);
  const { width, bytes } =
    file.delivered?.findLast(({ width }) => width >= needed) ?? file.delivered?.[0] ?? file;
  return [{ path, bytes, width, height: (file.height * width) / file.width }];
}

/** The page's backdrop, which is as wide as it comes. */
function backdropOf({ page: { page }, pictures }: View): Loaded[] {
  const path = page?.backdrop?.image ?? "";
  const file = pictures.get(path);
  return file ? [{ path, ...file, bytes: file.delivered?.[0]?.bytes ?? file.bytes }] : [];
}

/** The films that a screen plays, which take no memory of their own while they do not. */
function filmsOf({ page: { page }, scenes, videos }: View): Loaded[] {
  const shown = scenes.flatMap(({ layers }) =>
    layers.filter(({ layout }) => !layout.hidden).map(({ layer }) => layer.video),
  );
  return [page?.backdrop?.video, ...shown].flatMap((path) => {
    const bytes = path === undefined ? undefined : videos.get(path);
    return path === undefined || bytes === undefined ? [] : [{ path, bytes, width: 0, height: 0 }];
  });
}

/** Files, each once, as wide as any layer has it. */
const distinct = (files: readonly Loaded[]): Loaded[] => [
  ...new Map(files.toSorted((a, b) => a.width - b.width).map((file) => [file.path, file])).values(),
];
