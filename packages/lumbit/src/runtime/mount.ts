import { more } from "./adopt/more/index.ts";
import { buildAtOnce } from "./build.ts";
import type { Mounted } from "./enliven.ts";
import { type MarkupOptions, mountMarkup } from "./mount-markup.ts";
import { type MountedScene, mountScene, type SceneOptions } from "./mount-scene.ts";
import { whole } from "./parts.ts";

export type MountOptions = MarkupOptions | SceneOptions;

/**
 * Brings an element's scenes to life: a scene given as an object is built in it; without one, the element or
 * elements in it with `data-lumbit-scene` are scenes and what is in them with `data-lumbit-depth` and the like are
 * their layers, and follow their attributes. Mounting an element again replaces what was mounted there.
 *
 * @throws TypeError when there is no element
 * @throws AttributeError when it is strict and something in the markup is wrong; nothing is changed then
 */
export function mount(element: HTMLElement, options: SceneOptions): MountedScene;
export function mount(element: HTMLElement, options?: MarkupOptions): Mounted;
export function mount(element: HTMLElement, options: MountOptions = {}): Mounted {
  return options.scene
    ? mountScene(element, options, buildAtOnce)
    : mountMarkup(element, options, whole(more));
}
