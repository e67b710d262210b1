import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { screenShare } from "../layer-at.ts";
import { about, type LayerView, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "blur",
  severity: "warning",
  why: "A wide blur of a large area is drawn anew in every frame, and scrolling stutters.",
  scope: "scene",
  judge,
};

/** How wide a blur may be, in px, over more than so much of the screen, when it or its layer moves. */
const most = { radius: 12, share: 0.5 };

/** Wide blurs of large layers that move or change while the page scrolls: they are drawn anew in every frame. */
function judge(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layout, track } = own;
    const moves = layout.speed !== 1 || layout.ramps.length > 0;
    if (layout.hidden || !moves) return [];
    const seen = track.flatMap((moment) => {
      const { scroll, pose } = moment;
      const share = screenShare(moment, view);
      return pose.blur > most.radius && pose.opacity > 0 && share > most.share
        ? [{ scroll, share, radius: pose.blur }]
        : [];
    });
    const worst = seen.toSorted((a, b) => b.radius * b.share - a.radius * a.share)[0];
    if (!worst) return [];
    return [
      {
        ...about(scene, own),
        from: Math.min(...seen.map(({ scroll }) => scroll)),
        to: Math.max(...seen.map(({ scroll }) => scroll)),
        amount: worst.radius * worst.share,
        measured: `blurred by up to ${Math.round(worst.radius)} px over ${Math.round(100 * worst.share)} % of the screen; ${most.radius} px are light`,
        ...narrower(own),
      },
    ];
  });
}

/** Its ramps of blur with no stop above what is light. */
function narrower({ layer, layout, path }: LayerView): { change?: Change[] } {
  if (layer.rules || layout.blur > most.radius) return {};
  return {
    change: (layer.ramps ?? []).flatMap(({ property, stops }, ramp) =>
      stops.flatMap(({ value }, stop): Change[] =>
        property === "blur" && Number.parseFloat(String(value)) > most.radius - layout.blur
          ? [
              {
                op: "replace",
                path: `${path}/ramps/${ramp}/stops/${stop}/value`,
                value: `${Math.floor(most.radius - layout.blur)}px`,
              },
            ]
          : [],
      ),
    ),
  };
}
