import Table from "cli-table3";
import {
  type LayerView,
  type PixelsNeeded,
  pixelsNeeded,
  type SceneView,
  type View,
  viewportName,
} from "lumbit/checks";
import { type Layer, type LayerPose, poseAt } from "lumbit/core";

/** A line under the head and nothing else: numbers stand in columns by themselves. */
const noLines = {
  ...{
    top: "",
    "top-mid": "",
    "top-left": "",
    "top-right": "",
    bottom: "",
    "bottom-mid": "",
    "bottom-left": "",
  },
  ...{
    "bottom-right": "",
    left: "",
    right: "",
    middle: "",
    mid: "",
    "left-mid": "",
    "mid-mid": "",
    "right-mid": "",
  },
};

const px = (value: number) => value.toFixed(1);

/**
 * The layers of a page for people: depth and speed, and for each viewport how far a layer drifts in what can be reached
 * of its passage, its overscan, and the pixels it needs of those its file has; for a single viewport also where it is.
 */
export function layerTable(views: readonly View[], scroll: number): string {
  const [first] = views;
  if (!first) return "";
  const alone = views.length === 1;
  const pose = poseAt(first.layout, scroll);
  const out = alone
    ? [
        `viewport ${first.viewport.width} x ${first.viewport.height}, scrolled ${px(pose.scroll)} of ${px(pose.scrollHeight - first.viewport.height)} px`,
      ]
    : [`${views.map(({ viewport }) => viewportName(viewport)).join(", ")}: drift, overscan, pixels`];
  for (const [s, scene] of first.scenes.entries()) {
    const head = [
      "layer",
      "depth",
      "speed",
      ...(alone ? ["left", "top", "width", "height", "in view", "settles"] : []),
      ...views.flatMap(({ viewport }) => [alone ? "drift" : viewportName(viewport), "overscan", "pixels"]),
    ];
    const rows = new Table({
      head,
      colAligns: ["left", ...head.slice(1).map(() => "right" as const)],
      style: { head: [], border: [], "padding-left": 0, "padding-right": 2 },
      chars: noLines,
    });
    for (const [l, own] of scene.layers.entries())
      rows.push([
        `${own.group ? "  " : ""}${own.layer.name}`,
        Number.isFinite(own.layout.depth) ? String(+own.layout.depth.toFixed(3)) : "horizon",
        own.layout.speed.toFixed(3),
        ...(alone ? where(pose.scenes[s]?.layers[l]) : []),
        ...(alone ? [px(scene.layout.top - first.viewport.height + own.layout.settle)] : []),
        ...views.flatMap((view) => figures(view.scenes[s], view.scenes[s]?.layers[l], view)),
      ]);
    out.push("", sceneLine(scene, pose.scenes[s]?.top ?? 0));
    if (rows.length > 0) out.push(rows.toString());
  }
  return out.join("\n");
}

function sceneLine({ layout, scene }: SceneView, top: number): string {
  const { hold } = layout.passage;
  return `${scene.name}: top ${px(top)}, height ${px(layout.height)}${hold > 0 ? `, holds for ${px(hold)}` : ""}`;
}

const where = (pose: LayerPose | undefined) =>
  pose
    ? [px(pose.left), px(pose.top), px(pose.width), px(pose.height), pose.visible ? "yes" : "no"]
    : ["", "", "", "", ""];

/** The drift over what can be reached of the passage, the overscan above and below, and needed and available pixels. */
function figures(scene: SceneView | undefined, own: LayerView | undefined, view: View): string[] {
  if (!own || !scene) return ["", "", ""];
  const { lo, hi } = scene.layout.passage;
  const { drift, overscan } = own.layout;
  const pixels = pixelsNeeded(own, view);
  return [
    px(Math.hypot(drift.x, drift.y) * (hi - lo)),
    overscan ? `${px(overscan.top)} / ${px(overscan.bottom)}` : "",
    pixels ? `${pixels.width}x${pixels.height} of ${available(own.layer, pixels)}` : "",
  ];
}

/** How many pixels a picture's file has. */
const available = ({ image = "" }: Layer, { file }: PixelsNeeded) =>
  /\.svg$/i.test(image) ? "a vector" : `${file.width}x${file.height}`;
