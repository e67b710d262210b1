import { isText } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import type { SceneView, View } from "../view.ts";
import { readMoments } from "./contrast.ts";

/** Words that are read in a second, and px that are scrolled in one by somebody who reads. */
const wordsASecond = 4;
const scrolledASecond = 200;

/** Texts that are whole in view over too little scroll to be read in passing. */
export function reading({ scene, layers }: SceneView, view: View): Sighting[] {
  return layers.flatMap((own): Sighting[] => {
    const { layer, layout, path, track } = own;
    if (!isText(layer) || layout.hidden || own.group) return [];
    const words = layer.text.split(/\s+/).filter(Boolean).length;
    const [first, last] = [track[0], track.at(-1)];
    // What one can stop at, at an end of the page, can be read for as long as one likes.
    const reach = view.layout.scrollHeight - view.viewport.height;
    if (words < 4 || !first || !last || layer.repeat || reach === 0) return [];
    const moments = readMoments(own, view);
    const [from, to] = [moments[0]?.scroll, moments.at(-1)?.scroll];
    if (from === undefined || to === undefined || from === 0 || to === reach) return [];
    const needed = (words / wordsASecond) * scrolledASecond;
    if (to - from >= Math.min(needed, 0.25 * view.viewport.height)) return [];
    return [
      {
        scene: scene.name,
        layer: layer.name,
        path,
        from,
        to,
        amount: needed - (to - from),
        measured: `${words} words are whole in view for ${Math.round(to - from)} px of scroll`,
      },
    ];
  });
}
