import { linksIn } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import { readMoments } from "../read-moments.ts";
import { about, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "focus",
  severity: "warning",
  why: "Who goes through a page by keyboard has to see where they are (WCAG 2.4.7).",
  scope: "scene",
  judge,
};

/** Links in layers that come into view, and of which no moment shows the whole. */
function judge(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, track } = own;
    const seen = track.filter(({ pose }) => pose.visible && pose.opacity > 0);
    const [first, last] = [seen[0], seen.at(-1)];
    if (layout.hidden || !first || !last || linksIn(layer).length === 0 || layer.repeat) return [];
    if (readMoments(own, view).length > 0) return [];
    return [
      {
        ...about(scene, own),
        from: first.scroll,
        to: last.scroll,
        amount: 1,
        measured: "is a link that a keyboard can get to, and no moment shows it whole and opaque",
      },
    ];
  });
}
