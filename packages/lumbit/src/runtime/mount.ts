import type { PageLook, Scene } from "../core/index.ts";
import { adopter, readMarkup } from "./adopt.ts";
import { build } from "./build.ts";
import { driverFor, enliven, type Mounted } from "./enliven.ts";

export interface MountOptions {
  /** The scene to build in the element; without it the element's own markup is used. */
  scene?: Scene;
  /** What the page gives the scene: relief, camera, haze, focus. */
  page?: PageLook;
  /** `native` needs no script while scrolling; `auto` (default) takes it where the browser has it. */
  driver?: "auto" | "native" | "scripted";
  /** Half-life in milliseconds of the layers' way to where the scroll has them. Scripted only; 0 by default. */
  smoothing?: number;
}

/**
 * Brings an element's scenes to life: a scene given as an object is built in it; without one, the element or
 * elements in it with `data-lumbit-scene` are scenes and what is in them with `data-lumbit-depth` and the like are
 * their layers. Mounting an element again replaces what was mounted there.
 *
 * @throws AttributeError when an attribute has a wrong value; nothing is changed then
 */
export function mount(element: HTMLElement, options: MountOptions = {}): Mounted {
  const { smoothing = 0 } = options;
  const driver = driverFor(options.driver, smoothing);
  // What is wrong is said before what was mounted is taken down.
  const { scene } = options;
  const take = scene
    ? (undo: (() => void)[]) => ({ scenes: [element], ...build(element, scene, options.page ?? {}, undo) })
    : adopter(readMarkup(element, driver === "native"));
  mounted.get(element)?.dispose();
  const undo: (() => void)[] = [];
  const { scenes, restyle } = take(undo);
  const live = enliven(scenes, { driver, smoothing, restyle });
  const handle: Mounted = {
    ...live,
    dispose() {
      if (mounted.get(element) === handle) mounted.delete(element);
      live.dispose();
      for (const step of undo.splice(0).reverse()) step();
    },
  };
  mounted.set(element, handle);
  return handle;
}

const mounted = new WeakMap<Element, Mounted>();
