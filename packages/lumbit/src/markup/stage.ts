import {
  type AnyLayer,
  fillsScene,
  orderOf,
  orderSteps,
  type PageLook,
  type Scene,
  speedOf,
  stageOf,
} from "../core/index.ts";

/** Whether a scene holds, at some viewport at least. */
export const isHeld = (scene: Scene): boolean =>
  scene.hold !== undefined || (scene.rules ?? []).some(({ hold }) => hold !== undefined);

/** The layers of a scene by where in its markup they stand, each in document order. */
export interface Staging {
  /** Backdrops that are fixed by plain CSS, outside the stages and below all of them. */
  fixed: readonly AnyLayer[];
  /** Below the scene's content, or all that move where there is none. */
  back: readonly AnyLayer[];
  /** Above the scene's content. */
  front: readonly AnyLayer[];
}

/**
 * Where the layers of a scene stand. The lowest pictures that fill the scene at the horizon are fixed by plain CSS,
 * exact in every engine. A horizon picture above a moving layer cannot be, since what is fixed lies outside the
 * stages; nor can one whose depth a rule changes, where relief, the camera or a hold make it move, or in a scene whose height
 * depends on its content.
 */
export function stageLayers(scene: Scene, look: PageLook = {}): Staging {
  const { relief, camera } = stageOf(scene, look);
  const flat =
    scene.content === undefined &&
    relief === 1 &&
    camera.pan === 0 &&
    !camera.sway &&
    !isHeld(scene) &&
    ![...(scene.rules ?? []), ...(look.rules ?? [])].some((rule) => "relief" in rule || "camera" in rule);
  const still = flat ? scene.layers.filter(canBeFixed) : [];
  const isBelowAll = (layer: AnyLayer) =>
    scene.layers.every((other) => still.includes(other) || orderOf(layer) < orderOf(other));
  const fixed = still.filter(isBelowAll);
  const moving = fixed.length > 0 ? scene.layers.filter((layer) => !fixed.includes(layer)) : scene.layers;
  return {
    fixed,
    back: scene.content ? moving.filter((layer) => !isFront(layer)) : moving,
    front: scene.content ? moving.filter(isFront) : [],
  };
}

/** Whether a layer of a scene that stands still is fixed on every screen. */
const canBeFixed = (layer: AnyLayer): boolean =>
  fillsScene(layer) &&
  speedOf(layer) === 0 &&
  (layer.direction ?? "down") === "down" &&
  !layer.rules?.some((rule) =>
    ["depth", "speed", "direction", "order", "place", "pane"].some((key) => key in rule),
  );

/** Whether a layer is painted over its scene's content. */
export const isFront = (layer: AnyLayer) => orderOf(layer) >= orderSteps;
