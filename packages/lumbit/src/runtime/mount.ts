import type { PageLook, Scene } from "../core/index.ts";
import type { Picture } from "../markup/index.ts";
import { Adoption } from "./adopt/adopt.ts";
import { followMarkup } from "./adopt/follow.ts";
import { BuiltScene } from "./build.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { noLook } from "./followed-scene.ts";
import { restartable } from "./restartable.ts";

interface Moving {
  /** `native` needs no script while scrolling; `auto` (default) takes it where the browser has it. */
  driver?: "auto" | "native" | "scripted";
  /** Half-life in milliseconds of the layers' way to where the scroll has them. Scripted only; 0 by default. */
  smoothing?: number;
}

/** How the markup of an element is brought to life. */
export interface MarkupOptions extends Moving {
  scene?: undefined;
  /** Throws at the first thing that is wrong, instead of telling it in the console and going on. */
  strict?: boolean;
}

/** A scene to build in an element. */
export interface SceneOptions extends Moving {
  scene: Scene;
  /** What the page gives the scene: relief, camera, haze, focus. */
  page?: PageLook;
  /** Addresses and sizes of pictures by their paths; of those that are known nothing shifts while they load. */
  pictures?: Readonly<Record<string, Picture>>;
}

export type MountOptions = MarkupOptions | SceneOptions;

/** A scene that was built from an object, and can be changed. */
export interface MountedScene extends Mounted {
  /**
   * Makes the scene another one: what differs changes, what does not stays, with its elements, focus and pictures. What
   * is the same object as before costs nothing.
   */
  update(scene: Scene, more?: Pick<SceneOptions, "page" | "pictures">): void;
}

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
  if (!(element instanceof Element))
    throw new TypeError(
      `mount was given ${element === null ? "null" : typeof element} instead of an element; is the selector right, and is the element there by then?`,
    );
  return options.scene ? mountScene(element, options) : mountMarkup(element, options);
}

function mountScene(element: HTMLElement, options: SceneOptions): MountedScene {
  const { smoothing = 0, pictures = {} } = options;
  const driver = driverFor(options.driver, smoothing);
  mounted.get(element)?.dispose();
  let shown = { scene: options.scene, look: options.page ?? noLook, pictures };
  const built = new BuiltScene(element, shown);
  const staged: Staged = {
    ...{ scenes: built.scenes, driverOf: () => driver, styles: built.styles },
    restyle: () => built.restyle(),
  };
  const live = restartable(() => enliven(staged, { smoothing }));
  return kept<Pick<MountedScene, "update">>(element, live, () => built.release(), {
    update(scene, { page = shown.look, pictures = shown.pictures } = {}) {
      shown = { scene, look: page, pictures };
      if (built.update(shown)) live.restart();
    },
  });
}

function mountMarkup(
  element: HTMLElement,
  { smoothing = 0, strict = false, ...options }: MarkupOptions,
): Mounted {
  const driver = driverFor(options.driver, smoothing);
  const before = mounted.get(element);
  let live: ReturnType<typeof restartable> | undefined;
  // What was mounted keeps its marks until it is known that this can be.
  if (strict) new Adoption(element, { driver, strict, onText() {} }).release();
  before?.dispose();
  const adoption = new Adoption(element, { driver, strict, onText: () => live?.refresh() });
  const staged = (): Staged => ({
    ...{ scenes: adoption.scenes, driverOf: adoption.driverOf, styles: adoption.styles },
    restyle: () => adoption.restyle(),
    measure: () => adoption.measure(),
    measured: () => adoption.measured(),
  });
  live = restartable(() => enliven(staged(), { smoothing }));
  const unfollow = followMarkup(element, () => {
    if (adoption.update()) live?.restart();
    else live?.refresh();
  });
  return kept(
    element,
    live,
    () => {
      unfollow();
      adoption.release();
    },
    {},
  );
}

/** A handle that stands for its element until it is disposed of. */
function kept<More>(element: Element, live: Mounted, release: () => void, more: More): Mounted & More {
  let disposed = false;
  const handle = {
    ...live,
    ...more,
    dispose() {
      if (disposed) return;
      disposed = true;
      if (mounted.get(element) === handle) mounted.delete(element);
      live.dispose();
      release();
    },
  };
  mounted.set(element, handle);
  return handle;
}

const mounted = new WeakMap<Element, Mounted>();
