import { type Box, type LayerLayout, type LayerPose, type PageLayout, poseAt, type Size } from "lumbit/core";
import { boundsOf, fillsScene, hasPane, isArranged, isReel, isRow, withInner } from "lumbit/internal";
import type { Standing } from "../edit/place.ts";

/** A layer as a stage shows it at a scroll position. Boxes are in px of its screen. */
export interface Shown extends Standing {
  pose: LayerPose;
  /** The upright box around it. */
  bounds: Box;
  /** Of a layer in a pane: the pane, which is what has its place. */
  pane?: Box;
  /** How much larger a px of its place is on the screen: more than 1 in a group that is enlarged. */
  scale: number;
  /** How far it goes back on the screen for every px that its place goes down: it settles by its own passage, later then. */
  lags: { x: number; y: number };
  /** Whether it is moved along a way of its own: slides are. */
  carried: boolean;
}

/** All layers of a scene as they are shown, those in groups behind their group. */
export function shownIn({ scenes, ...layout }: PageLayout, name: string, scroll: number): Shown[] {
  const scene = scenes.find((one) => one.name === name);
  // Of the page's scenes only this one is posed.
  const pose = scene && poseAt({ ...layout, scenes: [scene] }, scroll).scenes[0];
  if (!scene || !pose) return [];
  const { viewport } = layout;
  const poses = new Map(scene.layers.flatMap(withInner).map((layer, at) => [layer, pose.layers[at]]));
  const shown = (
    own: LayerLayout,
    around: Size,
    { scale, carried, inRow }: Pick<Shown, "scale" | "carried" | "inRow">,
  ): Shown[] => {
    const at = poses.get(own);
    if (!at) return [];
    const whole = { left: 0, top: 0, width: around.width, height: around.height };
    const settled = fillsScene(own.layer) ? whole : hasPane(own.layer) && own.pane ? own.pane : own.box;
    const pane =
      hasPane(own.layer) && own.pane && !carried ? moved(own.pane, scene.left, pose.top) : undefined;
    return [
      {
        name: { scene: name, layer: own.name },
        ...{ layer: own.layer, viewport, box: settled, around, pose: at, scale, carried, inRow },
        bounds: boundsOf(at, at.rotate),
        // What is fixed on the screen goes nowhere, wherever its place is.
        lags: own.layer.settle === undefined || own.drift.y === 1 ? { x: 0, y: 0 } : own.drift,
        ...(pane && { pane }),
      },
      ...(own.layers ?? []).flatMap((inner) =>
        // Percentages in what is as large as its content are of what is around that.
        shown(inner, isArranged(own.layer) && !carried ? around : own.box, {
          scale: scale * at.scale,
          carried: carried || isReel(own.layer),
          inRow: isRow(own.layer),
        }),
      ),
    ];
  };
  return scene.layers.flatMap((layer) => shown(layer, scene, { scale: 1, carried: false, inRow: false }));
}

/** Where layers stand at the two ends of the part of their scene's passage that can be reached, as it is scrolled now. */
export function ghostsOf(layout: PageLayout, name: string, scroll: number, layer: string): Box[] {
  const scene = layout.scenes.find((one) => one.name === name);
  if (!scene) return [];
  const { viewport, scrollHeight } = layout;
  const within = (at: number) => Math.min(Math.max(at, 0), scrollHeight - viewport.height);
  const ends = [scene.top - viewport.height, scene.top + scene.height + scene.passage.hold].map(within);
  const topAt = (at: number) => poseAt({ ...layout, scenes: [scene] }, at).scenes[0]?.top ?? 0;
  return ends.flatMap((end) => {
    const there = shownIn(layout, name, end).find((one) => one.name.layer === layer);
    return there ? [moved(there.bounds, 0, topAt(scroll) - topAt(end))] : [];
  });
}

/** The box of a scene on the screen. */
export function sceneBox({ scenes, ...layout }: PageLayout, name: string, scroll: number): Box | undefined {
  const scene = scenes.find((one) => one.name === name);
  const pose = scene && poseAt({ ...layout, scenes: [{ ...scene, layers: [] }] }, scroll).scenes[0];
  return scene && pose && { left: scene.left, top: pose.top, width: scene.width, height: scene.height };
}

const moved = (box: Box, x: number, y: number): Box => ({ ...box, left: box.left + x, top: box.top + y });
