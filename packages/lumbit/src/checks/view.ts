import {
  type AnyLayer,
  type Box,
  contentOrder,
  fillsScene,
  hasPane,
  inPaintOrder,
  intersection,
  isReel,
  type LayerLayout,
  type LayerPose,
  layoutPage,
  type Natural,
  type Page,
  type PageLayout,
  poseAt,
  type Scene,
  type SceneLayout,
  type Viewport,
  withInner,
} from "../core/index.ts";
import type { KnownPicture } from "./picture.ts";

/** A page at one viewport: what every rule looks at. */
export interface View {
  /** The page with the rules of its file that hold at this viewport. */
  page: Page;
  viewport: Viewport;
  layout: PageLayout;
  scenes: SceneView[];
  pictures: ReadonlyMap<string, KnownPicture>;
  /** The sizes of films in bytes. */
  videos: ReadonlyMap<string, number>;
  natural: Natural;
}

/** One scene in a view. */
export interface SceneView {
  scene: Scene;
  path: string;
  layout: SceneLayout;
  /** The scroll positions between which any of it is in view, in px. */
  from: number;
  to: number;
  /** Its layers, those in groups behind their group. */
  layers: LayerView[];
}

/** One layer in a view. */
export interface LayerView {
  /** The name of its scene. */
  scene: string;
  layer: AnyLayer;
  path: string;
  layout: LayerLayout;
  /** The group that it is in, which moves it. */
  group?: LayerView | undefined;
  /** Its place in the paint order of its scene: what has a lower one is behind it. */
  paint: number;
  /** Its pose at every scroll position that counts: where anything about it may begin, end or turn. */
  readonly track: readonly TrackPoint[];
}

/** What everything that is seen of a layer says of it. */
export const about = ({ scene }: SceneView, { layer, path }: LayerView) => ({
  scene: scene.name,
  layer: layer.name,
  path,
});

/** Whether a layer, or the group that it is in, is painted before the content of its scene. */
export const isBehindContent = ({ group, layout }: LayerView): boolean =>
  group ? isBehindContent(group) : layout.order < contentOrder;

/** A layer at a scroll position, its scene's box on the screen, and the part of the screen in which it can be seen. */
export interface TrackPoint {
  scroll: number;
  pose: LayerPose;
  scene: Box;
  clip: Box;
}

/** A page as it is at a viewport. */
export function viewOf(
  page: Page,
  viewport: Viewport,
  natural: Natural,
  pictures: ReadonlyMap<string, KnownPicture>,
  videos: ReadonlyMap<string, number> = new Map(),
): View {
  const layout = layoutPage(page, viewport, natural);
  const reach = layout.scrollHeight - viewport.height;
  const scenes = layout.scenes.map((scene, index): SceneView => {
    const within = (scroll: number) => Math.min(Math.max(scroll, 0), reach);
    const from = within(scene.top - viewport.height);
    const to = within(scene.top + scene.height + scene.passage.hold);
    const path = `/scenes/${index}`;
    return {
      scene: scene.scene,
      path,
      layout: scene,
      from,
      to,
      layers: layersOf(scene, layout, path, from, to),
    };
  });
  return { page: layout.page, viewport, layout, scenes, pictures, videos, natural };
}

function layersOf(scene: SceneLayout, page: PageLayout, path: string, from: number, to: number): LayerView[] {
  const paint = new Map(inPaintOrder(scene.layers).map((layer, index) => [layer, index]));
  return scene.layers.flatMap((top, index) => {
    // Posed alone, so that the work grows with the layers and not with their square, and only where it is asked for.
    const alone = { ...page, scenes: [{ ...scene, layers: [top] }] };
    const moments = once(() =>
      positions(top, scene, page, from, to).map((scroll) => posedAt(scroll, top, scene, alone)),
    );
    const posed = withInner(top);
    const viewsOf = (layout: LayerLayout, path: string, group?: LayerView): LayerView[] => {
      const at = posed.indexOf(layout);
      // A slide clips what is in it.
      const slide = isReel(top.layer) && group?.layout !== top ? group : undefined;
      const track = once(() =>
        moments().map(({ poses, ...moment }, step): TrackPoint => {
          const pose = poses[at] as LayerPose;
          return {
            ...moment,
            pose,
            clip: intersection(moment.clip, slide?.track[step]?.pose ?? moment.clip),
          };
        }),
      );
      const own: LayerView = {
        ...{ scene: scene.name, layer: layout.layer, path, layout, group, paint: paint.get(layout) ?? 0 },
        get track() {
          return track();
        },
      };
      const inner = layout.layers ?? [];
      return [own, ...inner.flatMap((one, index) => viewsOf(one, `${path}/layers/${index}`, own))];
    };
    return viewsOf(top, `${path}/layers/${index}`);
  });
}

/** A layer with all that is in it at a scroll position, in document order. */
function posedAt(
  scroll: number,
  { pane }: LayerLayout,
  { left, width, height }: SceneLayout,
  page: PageLayout,
) {
  const pose = poseAt(page, scroll).scenes[0];
  const scene = { left, top: pose?.top ?? 0, width, height };
  const shown = intersection(scene, { left: 0, top: 0, ...page.viewport });
  const clip = pane
    ? intersection(shown, { ...pane, left: scene.left + pane.left, top: scene.top + pane.top })
    : shown;
  return { scroll, scene, clip, poses: pose?.layers ?? [] };
}

/** A value that is made when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/**
 * The scroll positions at which something about a layer may begin, end or turn. Between them its box moves evenly:
 * the ends of what can be reached, the scene's own corners, the stops of its ramps, and where an edge of its box
 * crosses one of the viewport or of its scene. Ramps with an easing of their own are looked at in between too.
 */
function positions(
  layer: LayerLayout,
  scene: SceneLayout,
  { viewport }: PageLayout,
  from: number,
  to: number,
): number[] {
  const { box, drift } = layer;
  const { top, height, passage, settle } = scene;
  const start = top - viewport.height;
  // On the screen an edge at distance e from the scene's top is at top + e + k (p - p0) - scroll, outside a hold.
  const speed = 1 - drift.y;
  const crossings = [box.top, box.top + box.height].flatMap((edge) =>
    [0, viewport.height].flatMap((screen) =>
      [0, passage.hold].map((held) => {
        const rest = top + held + edge + drift.y * (viewport.height - top - settle) - screen;
        return speed === 0 ? from : rest / speed;
      }),
    ),
  );
  const leaves =
    drift.y === 0
      ? []
      : [-box.top, height - box.top, -box.top - box.height, height - box.top - box.height].map(
          (offset) => start + settle + offset / drift.y,
        );
  const even = withInner(layer).some(({ ramps }) => ramps.length > 0) ? 24 : 8;
  const all = [
    from,
    to,
    top + height - viewport.height,
    ...turnsOf(layer, scene).map((p) => start + p),
    ...crossings,
    ...leaves,
    ...Array.from({ length: even }, (_, index) => from + ((to - from) * (index + 1)) / (even + 1)),
  ].filter((scroll) => Number.isFinite(scroll) && scroll >= from && scroll <= to);
  return [...new Set(all.map((scroll) => Math.round(scroll * 100) / 100))].sort((a, b) => a - b);
}

/** The positions of a scene's passage at which the movement of a layer, or of what is in it, turns, and the settle moment. */
export const turnsOf = (layer: LayerLayout, { passage, settle }: SceneLayout): number[] => [
  0,
  settle,
  passage.viewport,
  passage.viewport + passage.hold,
  passage.length,
  ...withInner(layer).flatMap(({ ramps }) => ramps.flatMap(({ stops }) => stops.map(({ at }) => at))),
];

/** Whether a picture is clipped by a pane, which it covers. */
export const inPane = (layer: AnyLayer): boolean => fillsScene(layer) || hasPane(layer);
