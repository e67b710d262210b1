import { type ImageLayer, isImage, type Length, parseLength } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { isCoveredAt } from "../layer-at.ts";
import { type KnownPicture, opaqueAlong, type Side } from "../picture.ts";
import { about, inPane, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "edge",
  severity: "error",
  why: "A shape that is cut off in the middle of the view shows that it is a flat picture.",
  scope: "scene",
  judge,
};

/** At least this share of a side is opaque when its edge counts, and of the picture's other sides when it is a plate. */
const opaqueShare = 0.1;
const sides: readonly Side[] = ["bottom", "top", "left", "right"];

/** Cut-out pictures whose opaque edge comes into view: a reef lifts off its ground, kelp ends in mid-water. */
function judge(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, group } = own;
    const picture = isImage(layer) ? view.pictures.get(layer.image) : undefined;
    if (!picture?.raster || !isImage(layer) || group || inPane(layer) || layout.hidden) return [];
    // What is opaque all around is a plate, meant to be seen whole.
    const cut = sides.filter((side) => opaqueAlong(picture, side).length >= 32 * opaqueShare);
    if (cut.length === sides.length) return [];
    return cut.flatMap((side) => {
      const seen = own.track.flatMap((moment) => {
        const gap = gapAt(side, moment);
        return gap > 1 && shows(own, side, picture, moment, scene, view)
          ? [{ gap, scroll: moment.scroll }]
          : [];
      });
      const worst = seen.toSorted((a, b) => b.gap - a.gap)[0];
      if (!worst) return [];
      return [
        {
          ...about(scene, own),
          from: Math.min(...seen.map(({ scroll }) => scroll)),
          to: Math.max(...seen.map(({ scroll }) => scroll)),
          amount: worst.gap / view.viewport.height,
          measured: `its ${side} edge is ${Math.round(worst.gap)} px inside the view at scroll ${Math.round(worst.scroll)}`,
          change: mend(own.path, layer, side, worst.gap, scene, view),
        },
      ];
    });
  });
}

/** How far a side of a layer lies inside of what is shown of its scene, in px. */
function gapAt(side: Side, { pose, clip: shown }: TrackPoint): number {
  if (!pose.visible || pose.opacity < 0.1 || pose.rotate !== 0) return 0;
  switch (side) {
    case "bottom":
      return shown.top + shown.height - (pose.top + pose.height);
    case "top":
      return pose.top - shown.top;
    case "left":
      return pose.left - shown.left;
    case "right":
      return shown.left + shown.width - (pose.left + pose.width);
  }
}

/** Whether any opaque part of a side is in what is shown, and nothing nearer hides it there. */
function shows(
  own: LayerView,
  side: Side,
  picture: KnownPicture,
  moment: TrackPoint,
  scene: SceneView,
  view: View,
): boolean {
  const { pose, clip: shown } = moment;
  const open = opaqueAlong(picture, side)
    .map(({ x, y }) => ({ x: pose.left + x * pose.width, y: pose.top + y * pose.height }))
    .filter(
      ({ x, y }) =>
        x > shown.left &&
        x < shown.left + shown.width &&
        y > shown.top - 1 &&
        y < shown.top + shown.height + 1 &&
        !isCoveredAt({ x, y }, own, moment.scroll, scene, view),
    );
  return open.length >= 2;
}

/** Moves the picture out by what is missing, or stretches it where both of its sides are fixed. */
function mend(
  path: string,
  layer: ImageLayer,
  side: Side,
  gap: number,
  { layout }: SceneView,
  { viewport }: View,
): Change[] | undefined {
  const place = layer.place as Record<string, Length | undefined> | undefined;
  if (!place || layer.rules) return undefined;
  const across = side === "left" || side === "right";
  /** What a hundred of these units are, in px. */
  const wholes: Readonly<Record<string, number>> = {
    [across ? "vw" : "vh"]: across ? viewport.width : viewport.height,
    "%": across ? layout.width : layout.height,
  };
  const opposite = { top: "bottom", bottom: "top", left: "right", right: "left" } as const;
  const moved = (from: Length, by: number): Length | undefined => {
    const parsed = parseLength(from);
    if (!parsed) return undefined;
    const { value, unit: own } = parsed;
    const unit = value === 0 ? (across ? "vw" : "vh") : own;
    const whole = wholes[unit];
    if (whole === undefined) return undefined;
    const tenths = 10 * (value + (100 * by) / whole);
    return `${(by > 0 ? Math.ceil(tenths) : Math.floor(tenths)) / 10}${unit}` as Length;
  };
  const [key, value] =
    place[side] !== undefined
      ? [side, moved(place[side] as Length, -gap)]
      : [opposite[side], moved(place[opposite[side]] ?? 0, gap)];
  const op = place[key] === undefined ? "add" : "replace";
  return value === undefined ? undefined : [{ op, path: `${path}/place/${key}`, value }];
}
