import * as Plot from "@observablehq/plot";
import type { SceneView, View } from "lumbit/checks";
import { drawing, type Theme, themes } from "./drawing.ts";

/** What is nearer than this speed looks the same: a colour goes by the speed that a depth comes to, so near ones part. */
const nearest = 1.7;

interface Point {
  layer: string;
  scroll: number;
  /** How far it has moved against its scene since the settle moment, in px. */
  moved: number;
  near: number;
}

/**
 * The movement of a scene's layers over the scroll as SVG: one line a layer, coloured by depth, with the settle moment,
 * and the hold where there is one. Colours are those of cividis, which reads the same to the colour-blind.
 */
export function movementChart(scene: SceneView, view: View, theme: Theme): string {
  const { ink } = themes[theme];
  const layers = scene.layers.filter(({ group, layout }) => !group && !layout.hidden);
  const points = layers.flatMap(({ layer, layout, track }): Point[] => {
    const settled = layout.box;
    return track.map(({ scroll, pose, scene: around }) => {
      // What moves sideways is shown by its way, whichever side that is.
      const [x, y] = [
        pose.left + pose.width / 2 - around.left - settled.left - settled.width / 2,
        pose.top + pose.height / 2 - around.top - settled.top - settled.height / 2,
      ];
      const moved = Math.abs(y) >= Math.abs(x) ? y : x;
      return { layer: layer.name, scroll, moved, near: Math.min(layout.speed, nearest) };
    });
  });
  const { top, settle, passage } = scene.layout;
  const settleScroll = top - view.viewport.height + settle;
  const last = layers.flatMap(({ layer }) => points.findLast((point) => point.layer === layer.name) ?? []);
  const ends = apart(last, Math.max(1, ...points.map(({ moved }) => Math.abs(moved))) / 11);
  return drawing(
    (document) =>
      Plot.plot({
        document,
        width: 1000,
        height: 560,
        marginLeft: 64,
        marginTop: 74,
        marginRight: 170,
        marginBottom: 48,
        style: { color: ink, fontSize: "12px", fontFamily: "system-ui, sans-serif" },
        x: { label: "scroll in px", grid: false, nice: false },
        y: { labelAnchor: "center", label: "moved down (or right) against its scene, in px", grid: true },
        color: {
          type: "linear",
          scheme: "cividis",
          domain: [0, nearest],
          // Both ends stand out from the ground.
          range: theme === "dark" ? [0.32, 1] : [0.78, 0],
        },
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
          Plot.ruleX([settleScroll], { stroke: ink, strokeDasharray: "4 3" }),
          Plot.text([settleScroll], {
            x: (value: number) => value,
            frameAnchor: "top",
            text: () => "settle",
            dx: 5,
            dy: 6,
            textAnchor: "start",
          }),
          ...(passage.hold > 0
            ? [
                Plot.text([top], {
                  x: (value: number) => value,
                  frameAnchor: "bottom",
                  text: () => "holds",
                  dx: 5,
                  dy: -6,
                  textAnchor: "start",
                }),
              ]
            : []),
          Plot.line(points, { x: "scroll", y: "moved", z: "layer", stroke: "near", strokeWidth: 2 }),
          Plot.text(ends, { x: "scroll", y: "moved", text: "layer", textAnchor: "start", dx: 8 }),
        ],
      }),
    {
      title: `Movement of ${scene.scene.name} at ${view.viewport.width} × ${view.viewport.height}`,
      note: theme === "dark" ? "near layers bright, far ones dim" : "near layers dark, far ones pale",
      theme,
    },
  );
}

/** Labels moved apart so that none covers another. */
function apart(points: readonly Point[], least: number): Point[] {
  const sorted = points.toSorted((a, b) => a.moved - b.moved);
  let before = Number.NEGATIVE_INFINITY;
  return sorted.map((point) => {
    before = Math.max(point.moved, before + least * 0.55);
    return { ...point, moved: before };
  });
}
