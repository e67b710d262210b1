import { intersection, intersects, isText, parseLength, type Scene } from "../../core/index.ts";
import type { Check } from "../check.ts";
import type { Change, Sighting } from "../finding.ts";
import { gridIn } from "../grid.ts";
import { pixelOn, trackAt } from "../layer-at.ts";
import { contentBox } from "../letters.ts";
import type { SceneView, View } from "../view.ts";

export const check: Check = {
  name: "empty",
  severity: "warning",
  why: "A reader who scrolls through nothing takes the page to have ended.",
  scope: "scene",
  judge,
};

/** So many screens of nothing are scrolled through without a second thought. */
const most = 0.5;
/** How finely the scroll is looked at, in screens, and a layer, in points across and down. */
const step = 0.05;
const points = 8;
/** What is fainter than this is nothing. */
const faintest = 0.05;

/** Scenes that show nothing but their ground for longer than a reader waits. */
function judge(scene: SceneView, view: View): Sighting[] {
  const { layout, path } = scene;
  const { height } = view.viewport;
  if (view.page.page?.backdrop) return [];
  const reach = view.layout.scrollHeight - height;
  const [from, to] = [layout.top, layout.top + layout.passage.hold + layout.height - height];
  let [start, longest, begins] = [from, 0, from];
  for (let scroll = from; scroll <= Math.min(to, reach); scroll += step * height) {
    if (shows(scene, scroll, view)) start = scroll + step * height;
    else if (scroll - start > longest) [longest, begins] = [scroll - start, start];
  }
  if (longest <= most * height) return [];
  const atEnd = begins + longest + step * height >= to;
  return [
    {
      scene: scene.scene.name,
      path,
      from: begins,
      to: begins + longest,
      amount: longest / height,
      measured: `shows nothing but its background for ${Math.round(longest)} px of scroll`,
      ...(atEnd && shorter(scene.scene, path, longest, view)),
    },
  ];
}

/** Whether anything of a scene is on the screen. */
function shows(scene: SceneView, scroll: number, view: View): boolean {
  const { viewport } = view;
  const screen = { left: 0, top: 0, ...viewport };
  if (scene.scene.content) {
    const held = Math.min(Math.max(scroll - scene.layout.top, 0), scene.layout.passage.hold);
    const content = contentBox(scene, view);
    if (!content || intersects(screen, { ...content, top: content.top + scene.layout.top + held - scroll }))
      return true;
  }
  return scene.layers.some((own) => {
    const at = !own.layout.hidden && trackAt(own, scroll);
    if (!at || at.pose.opacity < faintest || !at.pose.visible) return false;
    const { left, top, width, height } = intersection(at.pose, at.clip);
    if (width <= 0 || height <= 0) return false;
    if (isText(own.layer)) return true;
    return gridIn({ left, top, width, height }, points, points).some(
      (point) => (pixelOn(own, at, point, view)?.alpha ?? 0) > faintest,
    );
  });
}

/** The scene, ending where it begins to be empty. */
function shorter(scene: Scene, path: string, by: number, { viewport }: View): { change?: Change[] } {
  const height = parseLength(String(scene.height ?? ""));
  if (!height || scene.rules || scene.hold !== undefined || !["vh", "px"].includes(height.unit)) return {};
  const less = height.unit === "vh" ? (100 * by) / viewport.height : by;
  return {
    change: [
      { op: "replace", path: `${path}/height`, value: `${Math.ceil(height.value - less)}${height.unit}` },
    ],
  };
}
