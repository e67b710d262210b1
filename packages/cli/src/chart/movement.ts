import * as Plot from "@observablehq/plot";
import type { LayerView, SceneView, View } from "lumbit/checks";
import { momentAt } from "lumbit/core";
import { depthColors, depthNote, nearness } from "./depth-color.ts";
import { chartWidth, drawing, type Theme, themes } from "./drawing.ts";

interface Point {
  layer: string;
  scroll: number;
  near: number;
  value: number;
}

/**
 * The movement of a scene's layers over the scroll as SVG: how far each has moved against its scene, and below that how
 * fast it moves on the screen. One line a layer, coloured by depth, with the settle moment, the hold and the cues.
 */
export function movementChart(scene: SceneView, view: View, theme: Theme): string {
  const layers = scene.layers.filter(({ group, layout }) => !group && !layout.hidden);
  const { top, settle } = scene.layout;
  const marks = { settle: top - view.viewport.height + settle, cues: cuesOf(scene, view) };
  const way = layers.flatMap(wayOf);
  const speed = layers.flatMap(speedOf);
  const shared = { scene, theme, marks };
  return drawing(
    [
      panel(
        { ...shared, points: way, height: 520, marginTop: 74, named: true },
        "moved down (or right) against its scene, in px",
      ),
      panel(
        { ...shared, points: speed, height: 250, marginTop: 24, named: false },
        "px on the screen per px of scroll",
      ),
    ],
    {
      title: `Movement of ${scene.scene.name} at ${view.viewport.width} × ${view.viewport.height}`,
      note: depthNote(theme),
      theme,
    },
  );
}

/** How far a layer has moved against its scene since the settle moment. */
function wayOf({ layer, layout, track }: LayerView): Point[] {
  const settled = layout.box;
  return track.map(({ scroll, pose, scene: around }) => {
    // What moves sideways is shown by its way, whichever side that is.
    const [x, y] = [
      pose.left + pose.width / 2 - around.left - settled.left - settled.width / 2,
      pose.top + pose.height / 2 - around.top - settled.top - settled.height / 2,
    ];
    const value = Math.abs(y) >= Math.abs(x) ? y : x;
    return { layer: layer.name, scroll, value, near: nearness(layout.speed) };
  });
}

/** How fast a layer moves on the screen between two moments of its track, whichever way. */
function speedOf({ layer, layout, track }: LayerView): Point[] {
  return track.slice(1).flatMap((after, index): Point[] => {
    const before = track[index] ?? after;
    const length = after.scroll - before.scroll;
    if (length < 1) return [];
    const value = Math.hypot(after.pose.left - before.pose.left, after.pose.top - before.pose.top) / length;
    const common = { layer: layer.name, value, near: nearness(layout.speed) };
    return [
      { ...common, scroll: before.scroll },
      { ...common, scroll: after.scroll },
    ];
  });
}

/** The scroll positions at which the cues of a scene's layers play. */
function cuesOf({ layers, layout }: SceneView, view: View): { layer: string; scroll: number }[] {
  const start = layout.top - view.viewport.height;
  return layers.flatMap(({ layer, layout: own, group }) => {
    const { at = "entry 30%", of = "layer" } = layer.cue ?? {};
    if (!layer.cue || at === "load" || own.hidden) return [];
    const box = group ? { ...own.box, top: group.layout.box.top + own.box.top } : own.box;
    const { viewport } = view;
    const scene = { height: layout.height + layout.passage.hold, top: layout.top };
    const scrollHeight = view.layout.scrollHeight;
    return [{ layer: layer.name, scroll: start + momentAt(at, of, { viewport, scene, scrollHeight, box }) }];
  });
}

interface Panel {
  scene: SceneView;
  theme: Theme;
  marks: { settle: number; cues: readonly { layer: string; scroll: number }[] };
  points: readonly Point[];
  height: number;
  marginTop: number;
  /** Whether lines and marks say what they are. */
  named: boolean;
}

const panel =
  ({ scene, theme, marks, points, height, marginTop, named }: Panel, label: string) =>
  (document: Document): Element => {
    const { ink } = themes[theme];
    const { top, passage } = scene.layout;
    const names = [...new Set(points.map(({ layer }) => layer))];
    const last = names.flatMap((name) => points.findLast(({ layer }) => layer === name) ?? []);
    const values = points.map(({ value }) => value);
    const ends = apart(last, (Math.max(0, ...values) - Math.min(0, ...values)) / (height - 120));
    const note = { frameAnchor: "top" as const, dx: 5, dy: 6, textAnchor: "start" as const };
    const cues = moments(marks.cues);
    return Plot.plot({
      document,
      width: chartWidth,
      height,
      marginLeft: 76,
      marginTop,
      marginRight: 170,
      marginBottom: named ? 24 : 48,
      style: { color: ink, fontSize: "12px", fontFamily: "system-ui, sans-serif" },
      x: { label: named ? null : "scroll in px", domain: [scene.from, scene.to], nice: false },
      y: { labelAnchor: "center", label, grid: true, zero: true, ticks: named ? 8 : 4 },
      color: depthColors(theme),
      marks: [
        ...(passage.hold > 0
          ? [
              Plot.rectX([{ from: top, to: top + passage.hold }], {
                x1: "from",
                x2: "to",
                fill: ink,
                fillOpacity: 0.07,
              }),
            ]
          : []),
        Plot.ruleY([0], { stroke: ink, strokeOpacity: 0.4 }),
        Plot.ruleX([marks.settle], { stroke: ink, strokeDasharray: "4 3" }),
        Plot.ruleX(cues, { x: "scroll", stroke: ink, strokeOpacity: 0.55, strokeDasharray: "1 3" }),
        Plot.line(points, { x: "scroll", y: "value", z: "layer", stroke: "near", strokeWidth: 2 }),
        ...(named
          ? [
              Plot.text([marks.settle], { x: (value: number) => value, text: () => "settle", ...note }),
              Plot.text(passage.hold > 0 ? [top] : [], {
                ...note,
                x: (value: number) => value,
                frameAnchor: "bottom",
                text: () => "holds",
                dy: -6,
              }),
              Plot.text(cues, {
                ...note,
                x: "scroll",
                frameAnchor: "bottom",
                text: "layers",
                dy: passage.hold > 0 ? -22 : -6,
              }),
              Plot.text(ends, { x: "scroll", y: "value", text: "layer", textAnchor: "start", dx: 8 }),
            ]
          : []),
      ],
    }) as unknown as Element;
  };

/** Cues that play at one moment share a mark. */
function moments(cues: readonly { layer: string; scroll: number }[]) {
  const scrolls = [...new Set(cues.map(({ scroll }) => Math.round(scroll)))];
  return scrolls.map((scroll) => {
    const names = cues.filter((cue) => Math.round(cue.scroll) === scroll).map(({ layer }) => layer);
    return { scroll, layers: `cue: ${names.join(", ")}` };
  });
}

/** Labels moved apart so that none covers another: each takes 15 px of a scale of so many units a px. */
function apart(points: readonly Point[], unit: number): Point[] {
  let before = Number.NEGATIVE_INFINITY;
  return points
    .toSorted((a, b) => a.value - b.value)
    .map((point) => {
      before = Math.max(point.value, before + 15 * unit);
      return { ...point, value: before };
    });
}
