import type { PageLook, Scene } from "../core/index.ts";
import { adopter, readMarkup } from "./adopt.ts";
import { build } from "./build.ts";
import { playCues } from "./cues.ts";
import { type Driver, supportsNative, watchLayout } from "./driver.ts";
import { measureEdges } from "./edges.ts";
import { type Announcer, announcer } from "./events.ts";
import { measureLines } from "./lines.ts";
import { followReels } from "./reel.ts";
import { scriptedDriver } from "./scripted.ts";
import { scrollerOf } from "./scroller.ts";
import { type Sway, swayScenes } from "./sway.ts";

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

/** A mounted scene, or all scenes of an element's markup. */
export interface Mounted extends Driver, Pick<Announcer, "on"> {
  driver: "native" | "scripted";
  /**
   * Scrolls to the settle moment of a scene, by its name or id, or of the first; the address gets its id as fragment.
   *
   * @throws RangeError when no scene has that name
   */
  jump(scene?: string): void;
}

/**
 * Brings an element's scenes to life: a scene given as an object is built in it; without one, the element or
 * elements in it with `data-lumbit-scene` are scenes and what is in them with `data-lumbit-depth` and the like are
 * their layers. Mounting an element again replaces what was mounted there.
 *
 * @throws AttributeError when an attribute has a wrong value; nothing is changed then
 */
export function mount(element: HTMLElement, options: MountOptions = {}): Mounted {
  const { smoothing = 0, driver: wanted = "auto" } = options;
  const driver = wanted === "auto" ? (supportsNative() && smoothing === 0 ? "native" : "scripted") : wanted;
  // What is wrong is said before what was mounted is taken down.
  const { scene } = options;
  const take = scene
    ? (undo: (() => void)[]) => ({ scenes: [element], ...build(element, scene, options.page ?? {}, undo) })
    : adopter(readMarkup(element, driver === "native"));
  mounted.get(element)?.dispose();
  const undo: (() => void)[] = [];
  const { scenes, restyle } = take(undo);
  for (const scene of scenes) scene.dataset.lumbitDriver = driver;
  let sway: Sway | undefined;
  const setEdges = () => {
    restyle();
    scenes.forEach(measureEdges);
    scenes.forEach(measureLines);
    sway?.refresh();
  };
  setEdges();
  const moving =
    driver === "scripted" ? scriptedDriver(scenes, { smoothing, beforeMeasure: setEdges }) : undefined;
  const first = scenes[0];
  const unwatch = first && !moving ? watchLayout(scenes, scrollerOf(first), setEdges) : () => {};

  sway = swayScenes(scenes);
  const events = announcer(scenes, first && scrollerOf(first));
  const cues = playCues(scenes, (layer) =>
    events.tell("cue", { scene: layer.closest("[data-lumbit-scene]") as HTMLElement, layer }),
  );
  const reels = followReels(scenes, (slide) =>
    events.tell("slide", { scene: slide.closest("[data-lumbit-scene]") as HTMLElement, slide }),
  );

  const handle: Mounted = {
    driver,
    on: events.on,
    jump(name) {
      const scene = scenes.find(
        ({ dataset, id }) => name === undefined || dataset.lumbitScene === name || id === name,
      );
      if (!scene) throw new RangeError(`there is no scene "${name}" here`);
      scene.scrollIntoView({ block: "start" });
      if (scene.id && location.hash !== `#${scene.id}`) history.pushState(null, "", `#${scene.id}`);
    },
    refresh() {
      if (moving) moving.refresh();
      else setEdges();
    },
    pause() {
      moving?.pause();
      for (const animation of moving ? [] : scenes.flatMap(animationsIn)) animation.pause();
    },
    resume() {
      moving?.resume();
      for (const animation of moving ? [] : scenes.flatMap(animationsIn)) animation.play();
    },
    dispose() {
      if (mounted.get(element) === handle) mounted.delete(element);
      reels.dispose();
      cues.dispose();
      sway.dispose();
      events.dispose();
      moving?.dispose();
      unwatch();
      for (const step of undo.splice(0).reverse()) step();
    },
  };
  mounted.set(element, handle);
  return handle;
}

const mounted = new WeakMap<Element, Mounted>();

const animationsIn = (scene: Element) =>
  scene
    .getAnimations({ subtree: true })
    .filter((animation) => animation.timeline !== scene.ownerDocument.timeline);
