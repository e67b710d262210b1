import { type Built, BuiltScene } from "./build.ts";
import { type MountedScene, mountScene, type SceneOptions } from "./mount-scene.ts";
import { whole } from "./parts.ts";

const dressing = {
  all: whole((element: HTMLElement, built: Built) => new BuiltScene(element, built, "given")),
};

/**
 * Brings a scene to life whose elements somebody else has made, as `sceneElement` says, and keeps so: those of a
 * framework. Nothing but their attributes that say who moves them is written. What is wrong with it is told in the
 * console: the rest of the application goes on.
 */
export const dressScene = (element: HTMLElement, options: SceneOptions): MountedScene =>
  mountScene(element, options, dressing, console.error);
