import { changedBy } from "../core/index.ts";
import { type Breach, isObject, type Json, objects } from "./contradictions.ts";
import { kindOf } from "./kinds.ts";
import type { Path } from "./source.ts";

/**
 * A camera that moves forward must not reach a layer of the scene: there a layer would be infinitely large. Over a whole
 * passage it comes at most `push` nearer, forward or back, to what lies 1 + depth from it.
 */
export function pushBreaches(scene: Json, look: Json, path: Path): Breach[] {
  const given = [
    { settings: look, at: ["page"] },
    ...objects(look.rules).map(([settings, index]) => ({ settings, at: ["page", "rules", index] })),
  ];
  const own = [
    { settings: scene, at: path },
    ...objects(scene.rules).map(([settings, index]) => ({ settings, at: [...path, "rules", index] })),
  ];
  // The camera of a scene replaces the page's.
  const cameras = isObject(scene.camera) ? own : [...given, ...own];
  const pushes = cameras.flatMap(({ settings: { camera }, at }) =>
    isObject(camera) && typeof camera.push === "number" && camera.push !== 0
      ? [{ push: Math.abs(camera.push), at: [...at, "camera", "push"] }]
      : [],
  );
  if (pushes.length === 0) return [];
  const distances = objects(scene.layers).flatMap(([layer]) => {
    const states = [layer, ...objects(layer.rules).map(([rule]) => changedBy(layer, { media: "", ...rule }))];
    return states.map((state) => ({ name: layer.name, distance: distanceOf(state) }));
  });
  const nearest = distances.toSorted((a, b) => a.distance - b.distance)[0];
  if (!nearest) return [];
  return pushes
    .filter(({ push }) => push >= nearest.distance)
    .map(({ at }) => ({
      path: at,
      message: `the camera reaches "${typeof nearest.name === "string" ? nearest.name : "a layer"}", which lies ${Number(nearest.distance.toFixed(3))} from it; push it less than that`,
    }));
}

/** How far a layer lies from the camera, in camera distances. */
function distanceOf(layer: Json): number {
  const { depth, speed, pane, place } = layer;
  const kind = kindOf(layer);
  // Pictures in panes and those that fill their scene are not pushed.
  if ((kind === "image" || kind === "shape") && (pane === true || place === undefined))
    return Number.POSITIVE_INFINITY;
  if (typeof depth === "number") return 1 + depth;
  if (typeof speed === "number") return speed > 0 ? 1 / speed : Number.POSITIVE_INFINITY;
  return depth === "horizon" ? Number.POSITIVE_INFINITY : 1;
}
