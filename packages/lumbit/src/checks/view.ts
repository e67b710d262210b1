import {
  allLayers,
  applyRules,
  type Box,
  fillsScene,
  hasPane,
  intersection,
  isGroup,
  type Layer,
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
  layer: Layer;
  path: string;
  layout: LayerLayout;
  /** The group that it is in, which moves it. */
  group?: LayerView;
  /** Its place in the paint order of its scene: what has a lower one is behind it. */
  paint: number;
  /** Its pose at every scroll position that counts: where anything about it may begin, end or turn. */
  track: readonly TrackPoint[];
}

/** What everything that is seen of a layer says of it. */
export const about = ({ scene }: SceneView, { layer, path }: LayerView) => ({
  scene: scene.name,
  layer: layer.name,
  path,
});

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
): View {
  const applied = applyRules(page, viewport);
  const layout = layoutPage(page, viewport, natural);
  const reach = layout.scrollHeight - viewport.height;
  const scenes = applied.scenes.map((scene, index): SceneView => {
    const laidOut = layout.scenes[index] as SceneLayout;
    const within = (scroll: number) => Math.min(Math.max(scroll, 0), reach);
    const from = within(laidOut.top - viewport.height);
    const to = within(laidOut.top + laidOut.height + laidOut.passage.hold);
    const path = `/scenes/${index}`;
    return {
      scene,
      path,
      layout: laidOut,
      from,
      to,
      layers: trackLayers(scene, path, laidOut, layout, from, to),
    };
  });
  return { page: applied, viewport, layout, scenes, pictures, natural };
}

function trackLayers(
  scene: Scene,
  path: string,
  layout: SceneLayout,
  page: PageLayout,
  from: number,
  to: number,
): LayerView[] {
  const painted = inPaintOrder(layout.layers);
  return scene.layers.flatMap((layer, index) => {
    const laidOut = layout.layers[index] as LayerLayout;
    // Posed alone, so that the work grows with the layers and not with their square.
    const alone = { ...page, scenes: [{ ...layout, layers: [laidOut] }] };
    const all = [layer, ...(isGroup(layer) ? allLayers(layer.layers) : [])];
    const layouts = flatten(laidOut);
    const paths = pathsOf(layer, `${path}/layers/${index}`);
    const poses = positions(laidOut, layout, page, from, to).map((scroll) => {
      const pose = poseAt(alone, scroll).scenes[0];
      const scene = { left: layout.left, top: pose?.top ?? 0, width: layout.width, height: layout.height };
      const shown = intersection(scene, { left: 0, top: 0, ...page.viewport });
      const { pane } = laidOut;
      const clip = pane
        ? intersection(shown, { ...pane, left: scene.left + pane.left, top: scene.top + pane.top })
        : shown;
      return { scroll, scene, clip, layers: pose?.layers ?? [] };
    });
    const views = new Map<Layer, LayerView>();
    for (const [at, own] of all.entries())
      views.set(own, {
        layer: own,
        path: paths[at] ?? path,
        layout: layouts[at] ?? laidOut,
        paint: painted.indexOf(layouts[at] ?? laidOut),
        track: poses.map(({ scroll, layers, scene, clip }) => ({
          scroll,
          pose: layers[at] as LayerPose,
          scene,
          clip,
        })),
      });
    for (const group of views.values())
      for (const inner of isGroup(group.layer) ? group.layer.layers : []) {
        const view = views.get(inner as Layer);
        if (!view) continue;
        view.group = group;
        // A slide clips what is in it.
        if (isGroup(layer) && layer.reel && group.layer !== layer)
          view.track = view.track.map((moment, at) => ({
            ...moment,
            clip: intersection(moment.clip, group.track[at]?.pose ?? moment.clip),
          }));
      }
    return [...views.values()];
  });
}

/** Layers as they are painted, a group before what is in it. */
const inPaintOrder = (layers: readonly LayerLayout[]): LayerLayout[] =>
  layers
    .toSorted((a, b) => a.order - b.order)
    .flatMap((layer) => [layer, ...inPaintOrder(layer.layers ?? [])]);

const flatten = (layer: LayerLayout): LayerLayout[] => [layer, ...(layer.layers ?? []).flatMap(flatten)];
const pathsOf = (layer: Layer, path: string): string[] => [
  path,
  ...(isGroup(layer)
    ? layer.layers.flatMap((inner, index) => pathsOf(inner as Layer, `${path}/layers/${index}`))
    : []),
];

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
  const even = flatten(layer).some(({ ramps }) => ramps.length > 0) ? 24 : 8;
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
  ...flatten(layer).flatMap(({ ramps }) => ramps.flatMap(({ stops }) => stops.map(({ at }) => at))),
];

/** Whether a picture is clipped by a pane, which it covers. */
export const inPane = (layer: Layer): boolean => fillsScene(layer) || hasPane(layer);
