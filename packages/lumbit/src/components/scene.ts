import { type Layer, noLook, type PageLook, type Scene } from "../core/index.ts";
import { type Element, type Picture, sceneElement, stillCss } from "../markup/index.ts";
import { isAlike } from "../runtime/followed-scene.ts";
import type { MountedScene, SceneOptions } from "../runtime/mount-scene.ts";

/** What a scene component is given besides the settings of its scene. */
export interface SceneSurroundings extends Pick<SceneOptions, "driver" | "smoothing"> {
  /** What the page gives the scene: relief, camera, haze, focus. */
  page?: PageLook;
  /** Addresses and sizes of pictures by their paths; of those that are known nothing shifts while they load. */
  pictures?: Readonly<Record<string, Picture>>;
}

/** The settings of a scene; its layers are the component's children. */
export type SceneSettings = Omit<Scene, "layers">;

type WithoutLayers<T> = T extends unknown ? Omit<T, "layers"> : never;
/** The settings of a layer; those of a group have their layers as children. */
export type LayerSettings = WithoutLayers<Layer>;

/** Called with what moves the scene, when it is there. */
export type OnMounted = (scene: MountedScene) => void;

/** A scene as elements to be made, and the style in which it stands still until it is brought to life. */
export function stillScene(
  scene: Scene,
  { page = noLook, pictures = {} }: SceneSurroundings,
): { element: Element; css: string } {
  const assets = { pictures, fonts: {} };
  return { element: sceneElement(scene, page, false, assets), css: stillCss(scene, page, assets) };
}

/** A scene with the very layers of another state of it where they are the same: so what did not change costs nothing. */
export function withKept(scene: Scene, before: Scene | undefined): Scene {
  if (isAlike(scene, before)) return before as Scene;
  const layers = scene.layers.map(
    (layer) => before?.layers.find((other) => isAlike(other, layer)) ?? layer,
  ) as readonly Layer[];
  return { ...scene, layers };
}
