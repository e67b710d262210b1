import { buildAtOnce } from "./build.ts";
import { type MountedScene, mountScene, type SceneOptions } from "./mount-scene.ts";
import { haveAll } from "./whole.ts";

haveAll();

/** `mount` of `scene.ts`, with everything there from the beginning. */
export const mount = (element: HTMLElement, options: SceneOptions): MountedScene =>
  mountScene(element, options, buildAtOnce);
