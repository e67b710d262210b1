import { intersects, isGroup } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Sighting } from "../finding.ts";
import type { LayerView, SceneView } from "../view.ts";

export const check: Check = {
  name: "order",
  severity: "warning",
  why: "What is farther away moves less; seen otherwise, or too alike, the layers fall into one plane.",
  scope: "scene",
  judge,
};

/**
 * The smallest difference of two speeds that a viewer can tell, as a share of the faster one. Source: S. P. McKee,
 * A local mechanism for differential velocity detection, Vision Research 21 (1981), 491-500: about 5 %.
 */
const noticed = 0.05;
/** How different a mended depth makes them. */
const clear = 0.1;

/** Farther layers that move faster than nearer ones without an order of their own, and depths too alike to tell apart. */
function judge({ scene, layers, from, to }: SceneView): Sighting[] {
  const own = layers.filter(
    ({ layer, group, layout }) => !group && !layout.hidden && layer.order === undefined && !isGroup(layer),
  );
  const sorted = own.toSorted((a, b) => a.layout.depth - b.layout.depth);
  return sorted.flatMap((far, index): Sighting[] => {
    const near = sorted.slice(0, index).findLast((other) => meets(other, far));
    if (!near || near.layout.depth === far.layout.depth) return [];
    const [fast, slow] = [speedOf(near), speedOf(far)];
    const common = { scene: scene.name, layer: far.layer.name, path: far.path, from, to };
    if (slow > fast * (1 + noticed) && far.layer.travel)
      return [
        {
          ...common,
          amount: slow / Math.max(fast, 0.01),
          measured: `moves ${slow.toFixed(2)} px for each scrolled px, "${near.layer.name}" in front of it ${fast.toFixed(2)}`,
          change: [{ op: "remove", path: `${far.path}/travel` }],
          decided: true,
        },
      ];
    const share = 1 - far.layout.speed / near.layout.speed;
    const same = (far.layer.direction ?? "down") === (near.layer.direction ?? "down");
    if (!same || share >= noticed || near.layout.speed === 0 || far.layer.rules) return [];
    const depth = Math.ceil(100 * (1 / ((1 - clear) * near.layout.speed) - 1)) / 100;
    const key = far.layer.speed === undefined ? "depth" : "speed";
    const value = key === "depth" ? depth : Math.floor(100 * (1 - clear) * near.layout.speed) / 100;
    return [
      {
        ...common,
        amount: noticed - share,
        measured: `its speed differs from that of "${near.layer.name}" by ${(Math.floor(1000 * share) / 10).toFixed(1)} %, less than the ${100 * noticed} % that can be told`,
        change: [{ op: "replace", path: `${far.path}/${key}`, value }],
      },
    ];
  });
}

const meets = (a: LayerView, b: LayerView) => {
  const [one, other] = [a.layout.pane ?? a.layout.box, b.layout.pane ?? b.layout.box];
  return intersects(one, other);
};

/** How far a layer moves on the screen for each scrolled pixel, over all of its track. */
function speedOf({ track, layout, layer }: LayerView): number {
  const [first, last] = [track[0], track.at(-1)];
  if (!layer.travel || !first || !last || last.scroll === first.scroll) return layout.speed;
  return Math.abs((last.pose.top - first.pose.top) / (last.scroll - first.scroll));
}
