import { isText } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import { isCoveredAt } from "../layer-at.ts";
import { about, type LayerView, type Moment, type SceneView, type View } from "../view.ts";
import { readMoments } from "./contrast.ts";

/** Words that are read in a second, and px that are scrolled in one by somebody who reads. */
const wordsASecond = 4;
const scrolledASecond = 200;

/** Texts that are whole in view over too little scroll to be read in passing. */
export function reading(scene: SceneView, view: View): Sighting[] {
  return scene.layers.flatMap((own): Sighting[] => {
    const { layer, layout, track } = own;
    if (!isText(layer) || layout.hidden || own.group) return [];
    const words = layer.text.split(/\s+/).filter(Boolean).length;
    const [first, last] = [track[0], track.at(-1)];
    // What one can stop at, at an end of the page, can be read for as long as one likes.
    const reach = view.layout.scrollHeight - view.viewport.height;
    if (words < 4 || !first || !last || layer.repeat || reach === 0) return [];
    const whole = readMoments(own, view);
    const moments = whole.filter((moment) => !covered(own, moment, scene, view));
    const [from, to] = [(moments[0] ?? whole[0])?.scroll, (moments.at(-1) ?? whole.at(-1))?.scroll];
    if (from === undefined || to === undefined) return [];
    const seen = moments.length > 0 ? to - from : 0;
    if (moments.length > 0 && (from === 0 || to === reach)) return [];
    const needed = (words / wordsASecond) * scrolledASecond;
    if (seen >= Math.min(needed, 0.25 * view.viewport.height)) return [];
    return [
      {
        ...about(scene, own),
        from,
        to,
        amount: needed - seen,
        measured: `${words} words are whole and uncovered in view for ${Math.round(seen)} px of scroll`,
        ...(moments.length > 0 && longer(scene, from, to, needed, view)),
      },
    ];
  });
}

/** So much of a text may be behind something: a frond, the tip of a wing. */
const hidden = 0.1;

/** Whether a text cannot be read for what is in front of it. */
function covered(own: LayerView, { pose, scroll }: Moment, scene: SceneView, view: View): boolean {
  const points = Array.from({ length: 24 }, (_, index) => ({
    x: pose.left + (((index % 8) + 0.5) / 8) * pose.width,
    y: pose.top + ((Math.floor(index / 8) + 0.5) / 3) * pose.height,
  }));
  const behind = points.filter((point) => isCoveredAt(point, own, scroll, scene, view));
  return behind.length > hidden * points.length;
}

/** A hold, where the text is in view when the scene would hold. */
function longer({ scene, path, layout }: SceneView, from: number, to: number, needed: number, view: View) {
  if (scene.hold !== undefined || scene.rules || layout.top <= from || layout.top >= to) return {};
  const value = `${Math.ceil((100 * (needed - (to - from))) / view.viewport.height)}vh`;
  return { change: [{ op: "add" as const, path: `${path}/hold`, value }] };
}
