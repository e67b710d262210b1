import { type AnyLayer, type Box, intersection, intersects, isImage, isText } from "../../core/index.ts";
import { placedAtRest } from "../at-rest.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { gridIn } from "../grid.ts";
import { isCoveredAt, opaque, pixelOn } from "../layer-at.ts";
import { movedBy } from "../moving.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "still",
  severity: "warning",
  why: "Who asks for less motion, prints or has no script sees the scene as it was placed, and this not at all.",
  scope: "scene",
  judge,
};

/** How much of a text or picture the still version has to show. */
const least = 0.5;
/** Points across and down at which it is looked at. */
const points = [8, 3] as const;

/** Texts and pictures that only movement brings into view, or frees of what is in front of them. */
function judge(scene: SceneView, view: View): Sighting[] {
  const { from, to, layout } = scene;
  return scene.layers.flatMap((own): Sighting[] => {
    const { hidden, opacity } = own.layout;
    if (own.group || hidden || opacity < 0.5 || !says(own.layer) || !comesIntoView(own, scene, view))
      return [];
    const box = boxOf(own);
    const within = { left: 0, top: 0, width: layout.width, height: layout.height };
    const inside = intersection(box, within);
    const area = Math.max(0, inside.width) * Math.max(0, inside.height);
    // Of what is larger than its scene no more can be seen.
    const whole = Math.min(box.width, layout.width) * Math.min(box.height, layout.height);
    const out = area < least * whole;
    const cover = out ? undefined : coverOf(own, scene, view);
    if (!out && !cover) return [];
    const y = Math.max(-box.top, 0) || Math.min(layout.height - box.top - box.height, 0);
    const x = Math.max(-box.left, 0) || Math.min(layout.width - box.left - box.width, 0);
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: out ? 1 - area / whole : 1 - least,
        measured: out
          ? `stands outside its scene by ${Math.round(Math.max(Math.abs(x), Math.abs(y)))} px when nothing moves`
          : `is behind "${cover?.layer.name}" when nothing moves`,
        change: cover
          ? placedAtRest(cover, view, (moved) => !intersects(moved, box))
          : (placedAtRest(own, view, (moved) => isWithin(moved, within)) ??
            movedBy(own, { x, y }, scene, view)),
      },
    ];
  });
}

/** Whether a layer tells readers something. */
const says = (layer: AnyLayer) => isText(layer) || (isImage(layer) && layer.alt !== "");

/** Where a layer stands when nothing moves, against its scene: what covers a pane has no overscan then. */
const boxOf = ({ layout }: LayerView): Box => layout.pane ?? layout.box;

/** Whether movement shows a layer at all: its middle is in view with nothing in front of it. */
const comesIntoView = (own: LayerView, scene: SceneView, view: View): boolean =>
  own.track.some(({ pose, clip, scroll }) => {
    const middle = { left: pose.left + pose.width / 2, top: pose.top + pose.height / 2, width: 1, height: 1 };
    return (
      pose.visible &&
      pose.opacity > 0.5 &&
      intersects(middle, clip) &&
      !isCoveredAt({ x: middle.left, y: middle.top }, own, scroll, scene, view)
    );
  });

/** What has most of a layer behind it where every layer stands as it was placed. */
function coverOf(own: LayerView, scene: SceneView, view: View): LayerView | undefined {
  const grid = gridIn(boxOf(own), ...points);
  return scene.layers.find((other) => {
    const at = other.paint > own.paint && stillMoment(other, scene);
    const covered = grid.filter((point) => at && (pixelOn(other, at, point, view)?.alpha ?? 0) > opaque);
    return covered.length > least * grid.length;
  });
}

/** A layer as it was placed, against its scene; nothing for what a group places. */
function stillMoment(own: LayerView, scene: SceneView): TrackPoint | undefined {
  const [first] = own.track;
  if (own.group || !first) return undefined;
  const { width, height } = scene.layout;
  const around = { left: 0, top: 0, width, height };
  const pose = { ...first.pose, ...boxOf(own), opacity: own.layout.opacity, rotate: 0 };
  return { scroll: 0, pose, scene: around, clip: around };
}

const isWithin = (box: Box, around: Box): boolean => {
  const { width, height } = intersection(box, around);
  return width >= box.width - 1 && height >= box.height - 1;
};
