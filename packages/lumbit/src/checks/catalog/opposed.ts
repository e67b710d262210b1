import { type AnyLayer, isText } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { screenShare } from "../layer-at.ts";
import { about, type LayerView, type SceneView, type TrackPoint, type View } from "../view.ts";

export const check: Check = {
  name: "opposed",
  severity: "warning",
  why: "Large areas that move against each other make some readers dizzy.",
  scope: "scene",
  judge,
};

/** So much of the screen a large area takes at least, and so fast it moves to one side, in px for each scrolled px. */
const large = { share: 0.4, speed: 0.25 };

/** Pairs of large areas that move to opposite sides at the same time. */
function judge(scene: SceneView, view: View): Sighting[] {
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
      const turned = [own, other.own].find(({ layer }) => isTurned(layer));
      const change = own.layer.travel
        ? { of: own, key: "travel" }
        : turned && { of: turned, key: "direction" };
      return [
        {
          ...about(scene, own),
          from: Math.min(...seen.map(({ from }) => from)),
          to: Math.max(...seen.map(({ to }) => to)),
          amount: worst.apart,
          measured: `moves against "${other.own.layer.name}" by ${worst.apart.toFixed(2)} px for each scrolled px, both over ${100 * large.share} % of the screen or more`,
          ...(change &&
            !change.of.layer.rules && {
              change: [{ op: "remove", path: `${change.of.path}/${change.key}` }],
              ...(change.key === "travel" && { decided: true as const }),
            }),
        },
      ];
    }),
  );
}

/** Whether a layer drifts to another side than layers do that do not say. */
const isTurned = ({ direction = "down" }: AnyLayer) => direction !== "down" && direction !== 180;

/** How fast two movements to opposite sides part; 0 where they do not. */
const against = (a: number, b: number) =>
  a * b < 0 && Math.min(Math.abs(a), Math.abs(b)) >= large.speed ? Math.abs(a - b) : 0;

/** Where a layer covers much of the screen, and how it moves there on the screen, in px for each scrolled px. */
function largeSteps({ track }: LayerView, view: View) {
  const share = (moment: TrackPoint) => (moment.pose.opacity < 0.3 ? 0 : screenShare(moment, view));
  return track.slice(1).flatMap((after, index) => {
    const before = track[index] as TrackPoint;
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
