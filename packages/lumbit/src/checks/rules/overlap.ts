import { intersection, isText } from "../../core/index.ts";
import type { Sighting } from "../finding.ts";
import { contentBox, fontSizeOf, lettersIn } from "../letters.ts";
import { about, type SceneView, type View } from "../view.ts";

/** So much of the smaller letters' size may two texts share, across and down. */
const shared = 0.3;

/** Texts that stand on each other where nothing moves, though they may take turns while the page does. */
export function overlap(scene: SceneView, view: View): Sighting[] {
  const { layout, from, to } = scene;
  const texts = scene.layers.flatMap((own) => {
    const { layer, layout: laidOut, group } = own;
    const plain = isText(layer) && !layer.outline && laidOut.opacity >= 0.5;
    return plain && !laidOut.hidden
      ? [{ own, group, box: lettersIn(laidOut.box, own, layer, view), size: fontSizeOf(layer, own, view) }]
      : [];
  });
  const content = contentBox(scene, view);
  return texts.flatMap(({ own, group, box, size }, index) => {
    const others = texts
      .slice(0, index)
      .filter((other) => other.group === group)
      .map((other) => ({ name: `"${other.own.layer.name}"`, box: other.box, size: other.size }));
    const flow = content && !group ? [{ name: "the content of its scene", box: content, size }] : [];
    return [...others, ...flow].flatMap((other): Sighting[] => {
      const common = intersection(box, other.box);
      const by = Math.min(common.width, common.height);
      if (by <= shared * Math.min(size, other.size)) return [];
      return [
        {
          ...about(scene, own),
          from: Math.max(from, layout.top - view.viewport.height),
          to,
          amount: by,
          measured: `stands on ${other.name} when nothing moves, by ${Math.round(by)} px`,
        },
      ];
    });
  });
}
