import {
  type Box,
  intersection,
  intersects,
  inUnit,
  isArranged,
  isText,
  type Length,
  type LengthContext,
  type Place,
  parseLength,
  sumLengths,
} from "../core/index.ts";
import type { Change } from "./finding.ts";
import { trackAt } from "./layer-at.ts";
import { fontSizeOf, lettersIn } from "./letters.ts";
import type { LayerView, SceneView, View } from "./view.ts";

/** How far something is moved to the right and down, in px. */
export interface Shift {
  x: number;
  y: number;
}

/**
 * The change that moves a layer at a viewport, in the units of its place. Nothing for what is locked or has no place
 * to change, and where rules may say otherwise.
 */
export function movedBy(
  { layer, layout, path, group }: LayerView,
  by: Shift,
  scene: SceneView,
  { viewport }: View,
): Change[] | undefined {
  const place: Place | undefined =
    layer.place ?? (isText(layer) || isArranged(layer) ? { center: "both" } : undefined);
  if (!place || layer.locked || layer.rules || group) return undefined;
  const axes = [
    { by: by.x, insets: ["left", "right"], at: layout.box.left, percent: scene.layout.width, unit: "vw" },
    { by: by.y, insets: ["top", "bottom"], at: layout.box.top, percent: scene.layout.height, unit: "vh" },
  ] as const;
  const insets = axes.flatMap(({ by, insets, at, percent, unit }): [string, Length][] => {
    if (by === 0) return [];
    const context = { viewport, percent };
    const given = insets.filter((inset) => place[inset] !== undefined);
    return given.length > 0
      ? given.map((inset) => [inset, longer(place[inset] ?? 0, inset === insets[0] ? by : -by, context)])
      : [[insets[0], longer(`${inUnit(at, unit, context)}${unit}`, by, context)]];
  });
  if (layer.place && insets.every(([inset]) => inset in place))
    return insets.map(([inset, value]) => ({ op: "replace", path: `${path}/place/${inset}`, value }));
  const { center, ...rest } = place;
  const [first, second] = (["x", "y"] as const).filter(
    (axis) => by[axis] === 0 && (center === axis || center === "both"),
  );
  const value = {
    ...(first && { center: second ? "both" : first }),
    ...rest,
    ...Object.fromEntries(insets),
  };
  return [{ op: layer.place ? "replace" : "add", path: `${path}/place`, value }];
}

/** A length and so many px, or for it to be round a little more, in its own unit. */
function longer(length: Length, px: number, context: LengthContext): Length {
  const parsed = parseLength(length);
  // A sum is longer by one more term.
  if (!parsed) return sumLengths([length, `${Math.round(px)}px`]) as Length;
  const { value, unit } = parsed;
  const steps = unit === "px" ? 1 : 10;
  const by = (px < 0 ? Math.floor : Math.ceil)(inUnit(px, unit, context) * steps) / steps;
  return `${+(value + by).toFixed(2)}${unit}`;
}

/** The texts of a scene that can be read when nothing moves, with the boxes of their letters against it. */
export const textsOf = (scene: SceneView, view: View) =>
  scene.layers.flatMap((own) => {
    const { layer, layout } = own;
    return isText(layer) && !layer.outline && !layout.hidden && layout.opacity >= 0.5
      ? [{ own, layer, box: lettersIn(layout.box, own, layer, view), size: fontSizeOf(layer, own, view) }]
      : [];
  });

/** A box on the screen at a scroll position that something stands in front of. */
interface Kept {
  scroll: number;
  box: Box;
}

/** The shortest move of a layer, out of the way of boxes on the screen, that leaves it in its scene and off the texts. */
export function asideOf(own: LayerView, kept: readonly Kept[], scene: SceneView, view: View) {
  const gaps = kept.flatMap(({ scroll, box }) => {
    const pose = trackAt(own, scroll)?.pose;
    return pose
      ? [
          {
            up: box.top - pose.top - pose.height,
            down: box.top + box.height - pose.top,
            left: box.left - pose.left - pose.width,
            right: box.left + box.width - pose.left,
          },
        ]
      : [];
  });
  const { width, height } = scene.layout;
  const texts = textsOf(scene, view).filter((text) => text.own !== own);
  const free = ({ x, y }: Shift) => {
    const { box } = own.layout;
    const moved = { ...box, left: box.left + x, top: box.top + y };
    const within = { left: 0, top: 0, width, height };
    const inside = intersection(moved, within);
    return (
      intersects(moved, within) &&
      inside.width * inside.height > 0.5 * box.width * box.height &&
      !texts.some((text) => intersects(moved, text.box))
    );
  };
  const nearest = [
    { x: 0, y: Math.max(...gaps.map(({ down }) => down)) },
    { x: 0, y: Math.min(...gaps.map(({ up }) => up)) },
    { x: Math.max(...gaps.map(({ right }) => right)), y: 0 },
    { x: Math.min(...gaps.map(({ left }) => left)), y: 0 },
  ]
    .filter(free)
    .toSorted((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))[0];
  return nearest && movedBy(own, nearest, scene, view);
}
