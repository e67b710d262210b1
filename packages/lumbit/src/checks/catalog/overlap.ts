import { type Box, intersection, intersects } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { contentBox } from "../letters.ts";
import { movedBy, textsOf } from "../moving.ts";
import { about, type SceneView, type View } from "../view.ts";

export const check: Check = {
  name: "overlap",
  severity: "warning",
  why: "Letters on letters cannot be read, and who asks for less motion or prints gets both texts at once.",
  scope: "scene",
  judge,
};

/** So much of the smaller letters' size may two texts share, across and down. */
const shared = 0.3;

/** Texts that stand on each other where nothing moves, though they may take turns while the page does. */
function judge(scene: SceneView, view: View): Sighting[] {
  const { layout, from, to } = scene;
  const texts = textsOf(scene, view);
  const content = contentBox(scene, view);
  return texts.flatMap((text, index) => {
    const { own, box, size } = text;
    const others = texts
      .slice(0, index)
      .filter((other) => other.own.group === own.group)
      .map((other) => ({ name: `"${other.own.layer.name}"`, box: other.box, size: other.size }));
    const flow = content && !own.group ? [{ name: "the content of its scene", box: content, size }] : [];
    return [...others, ...flow].flatMap((other): Sighting[] => {
      const common = intersection(box, other.box);
      const by = Math.min(common.width, common.height);
      if (by <= shared * Math.min(size, other.size)) return [];
      const taken = texts.filter((one) => one !== text).map((one) => one.box);
      return [
        {
          ...about(scene, own),
          from: Math.max(from, layout.top - view.viewport.height),
          to,
          amount: by,
          measured: `stands on ${other.name} when nothing moves, by ${Math.round(by)} px`,
          change: apart(text, [...taken, ...(content ? [content] : [])], scene, view),
        },
      ];
    });
  });
}

/** As far below what is taken as the text needs, or else above it, by the shortest way that stays in the scene. */
function apart(
  { own, box, size }: ReturnType<typeof textsOf>[number],
  taken: readonly Box[],
  scene: SceneView,
  view: View,
): Change[] | undefined {
  const space = size / 2;
  const free = (y: number) => {
    const moved = { ...box, top: box.top + y };
    return (
      moved.top >= 0 &&
      moved.top + moved.height <= scene.layout.height &&
      !taken.some((other) => intersects(moved, other))
    );
  };
  const below = taken.map(({ top, height }) => top + height + space - box.top).filter((y) => y > 0);
  const above = taken.map(({ top }) => top - space - box.height - box.top).filter((y) => y < 0);
  const y = below.toSorted((a, b) => a - b).find(free) ?? above.toSorted((a, b) => b - a).find(free);
  return y === undefined ? undefined : movedBy(own, { x: 0, y }, scene, view);
}
