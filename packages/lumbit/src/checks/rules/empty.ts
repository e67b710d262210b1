import { isText, parseLength, type Scene } from "../../core/index.ts";
import type { Change, Sighting } from "../finding.ts";
import { momentAt, pixelOn } from "../layer-at.ts";
import type { SceneView, View } from "../view.ts";

/** So many screens of nothing are scrolled through without a second thought. */
const most = 0.5;
/** How finely the scroll is looked at, in screens, and a screen, in points across and down. */
const step = 0.05;
const grid = { across: 10, down: 12 };

/** Scenes that show nothing but their ground for longer than a reader waits. */
export function empty(scene: SceneView, view: View): Sighting[] {
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
  const { width, height } = view.viewport;
  const around = scene.layout;
  if (scene.scene.content) {
    const middle = scroll + height / 2 - around.top;
    // Content fills its scene but for the space above and below.
    if (middle < around.height) return true;
  }
  return scene.layers.some((own) => {
    const at = !own.layout.hidden && momentAt(own, scroll);
    if (!at || at.pose.opacity < 0.05 || !at.pose.visible) return false;
    if (isText(own.layer)) return at.pose.top < height && at.pose.top + at.pose.height > 0;
    for (let row = 0; row < grid.down; row++)
      for (let column = 0; column < grid.across; column++) {
        const point = { x: ((column + 0.5) / grid.across) * width, y: ((row + 0.5) / grid.down) * height };
        if ((pixelOn(own, at, point, view)?.alpha ?? 0) > 0.05) return true;
      }
    return false;
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
