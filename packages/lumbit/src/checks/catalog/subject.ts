import { type Box, type ImageLayer, isImage } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { isCoveredAt } from "../layer-at.ts";
import { asideOf } from "../moving.ts";
import { about, inPane, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "subject",
  severity: "warning",
  why: "The part of the picture that matters is out of its frame while the scene is being read.",
  scope: "scene",
  judge,
};

/** So far may a subject be outside of its pane, as a share of that: a subject is a region, not a point. */
const tolerance = 0.03;
/** For so much of the time in which a picture is looked at may something in front of it hide its subject. */
const passing = 0.5;
/** So far around its point, as a share of the picture, does a subject reach when something is moved off it. */
const region = 0.1;

/** Pictures whose subject leaves its pane, or is hidden by what is nearer, while most of the picture is in view. */
function judge(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, group } = own;
    if (!isImage(layer) || !layer.subject || layout.hidden || group) return [];
    const looked = own.track.filter((moment) => isLookedAt(own, moment, view));
    const sight = { own, layer, looked, scene, view };
    return [...(inPane(layer) ? lost(sight) : []), ...hidden(sight)];
  });
}

/** A picture with a subject, and the moments at which it is looked at. */
interface Sight {
  own: LayerView;
  layer: ImageLayer;
  looked: readonly TrackPoint[];
  scene: SceneView;
  view: View;
}

/** Where a picture's subject is on the screen: what is cropped keeps it at its share of the box. */
const subjectOf = ({ subject: [x, y] = [0.5, 0.5] }: ImageLayer, { pose }: TrackPoint) => ({
  x: pose.left + x * pose.width,
  y: pose.top + y * pose.height,
});

/** The box on the screen in which a picture shows. */
function paneOf({ layer, layout }: LayerView, { scene, pose }: TrackPoint) {
  if (!inPane(layer)) return pose;
  const pane = layout.pane ?? { left: 0, top: 0, width: scene.width, height: scene.height };
  return { ...pane, left: scene.left + pane.left, top: scene.top + pane.top };
}

/** The region around a subject that something in front of it should leave free. */
const around = ({ x, y }: { x: number; y: number }, { pose: { width, height } }: TrackPoint): Box => ({
  left: x - region * width,
  top: y - region * height,
  width: 2 * region * width,
  height: 2 * region * height,
});

const isLookedAt = (own: LayerView, moment: TrackPoint, { viewport }: View) =>
  moment.pose.opacity > 0.5 &&
  moment.clip.height >= 0.8 * Math.min(paneOf(own, moment).height, viewport.height);

function lost({ own, layer, looked, scene, view }: Sight): Sighting[] {
  const seen = looked.flatMap((moment) => {
    const [pane, point] = [paneOf(own, moment), subjectOf(layer, moment)];
    const out = Math.max(
      pane.top - point.y,
      point.y - pane.top - pane.height,
      pane.left - point.x,
      point.x - pane.left - pane.width,
    );
    return out > tolerance * pane.height ? [{ out, scroll: moment.scroll }] : [];
  });
  const worst = seen.toSorted((a, b) => b.out - a.out)[0];
  if (!worst) return [];
  return [
    {
      ...about(scene, own),
      from: Math.min(...seen.map(({ scroll }) => scroll)),
      to: Math.max(...seen.map(({ scroll }) => scroll)),
      amount: worst.out,
      measured: `its subject is ${Math.round(worst.out)} px outside its frame at scroll ${Math.round(worst.scroll)}`,
      ...(!layer.rules && { change: calmed(own, scene, worst, view) }),
    },
  ];
}

/** As much less drift as brings the subject back to the edge of its pane. */
function calmed(
  { layer, layout, path }: LayerView,
  { layout: around }: SceneView,
  { out, scroll }: { out: number; scroll: number },
  { viewport }: View,
): Change[] {
  const p = viewport.height + scroll - around.top;
  const moved = Math.max(1, Math.abs((p - layout.settle) * Math.hypot(layout.drift.x, layout.drift.y)));
  const speed = 1 - (1 - layout.speed) * Math.max(0.5, 0.97 - out / moved);
  return layer.speed === undefined
    ? [
        {
          op: layer.depth === undefined ? "add" : "replace",
          path: `${path}/depth`,
          value: Math.round(100 * (1 / speed - 1)) / 100,
        },
      ]
    : [{ op: "replace", path: `${path}/speed`, value: Math.round(100 * speed) / 100 }];
}

function hidden({ own, layer, looked, scene, view }: Sight): Sighting[] {
  // What only decorates may pass behind something.
  if (layer.alt === "") return [];
  const seen = looked.filter((moment) =>
    isCoveredAt(subjectOf(layer, moment), own, moment.scroll, scene, view),
  );
  const [first, last] = [seen[0], seen.at(-1)];
  const whole = (looked.at(-1)?.scroll ?? 0) - (looked[0]?.scroll ?? 0);
  if (!first || !last || last.scroll - first.scroll <= passing * whole) return [];
  const point = subjectOf(layer, first);
  const nearer = scene.layers.find((other) =>
    isCoveredAt(point, own, first.scroll, { ...scene, layers: [other] }, view),
  );
  return [
    {
      ...about(scene, own),
      from: first.scroll,
      to: last.scroll,
      amount: last.scroll - first.scroll,
      change:
        nearer &&
        asideOf(
          nearer,
          seen.map((moment) => ({ scroll: moment.scroll, box: around(subjectOf(layer, moment), moment) })),
          scene,
          view,
        ),
      measured: `its subject is behind "${nearer?.layer.name}" for ${Math.round(last.scroll - first.scroll)} of the ${Math.round(whole)} px in which the picture is looked at`,
    },
  ];
}
