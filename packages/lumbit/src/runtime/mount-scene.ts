import type { PageLook, Scene } from "../core/index.ts";
import type { Picture } from "../markup/index.ts";
import { BuiltScene } from "./build.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { noLook } from "./followed-scene.ts";
import { measureLines } from "./lines.ts";
import { kept, type MotionOptions, mountedIn, requireElement } from "./mounted.ts";
import { restartable } from "./restartable.ts";
import { spreadFull } from "./spread.ts";

/** A scene to build in an element. */
export interface SceneOptions extends MotionOptions {
  scene: Scene;
  /** What the page gives the scene: relief, camera, haze, focus. */
  page?: PageLook;
  /** Addresses and sizes of pictures by their paths; of those that are known nothing shifts while they load. */
  pictures?: Readonly<Record<string, Picture>>;
}

/** A scene that was built from an object, and can be changed. */
export interface MountedScene extends Mounted {
  /**
   * Makes the scene another one: what differs changes, what does not stays, with its elements, focus and pictures. What
   * is the same object as before costs nothing.
   */
  update(scene: Scene, more?: Pick<SceneOptions, "page" | "pictures">): void;
}

let judged: ((scene: Scene) => void) | undefined;

/** Has scenes judged before they are shown: what development has, and production does not. */
export const judgeScenes = (judge: (scene: Scene) => void): void => {
  judged = judge;
};

/**
 * Builds a scene in an element and brings it to life. Mounting an element again replaces what was mounted there.
 *
 * @throws TypeError when there is no element
 * @throws SceneError in development, when it is not written as scenes are
 */
export const mountScene = (element: HTMLElement, options: SceneOptions): MountedScene =>
  mounted(element, options, false);

/**
 * Brings a scene to life whose elements somebody else has made, as `sceneElement` says, and keeps so: those of a
 * framework. Nothing but their attributes that say who moves them is written.
 */
export const dressScene = (element: HTMLElement, options: SceneOptions): MountedScene =>
  mounted(element, options, true);

function mounted(element: HTMLElement, options: SceneOptions, given: boolean): MountedScene {
  requireElement(element);
  const judge = (scene: Scene) => {
    try {
      judged?.(scene);
    } catch (error) {
      // A component says what is wrong with it: the rest of the application goes on.
      if (!given) throw error;
      console.error((error as Error).message);
    }
  };
  judge(options.scene);
  const { smoothing = 0, pictures = {} } = options;
  const driver = driverFor(options.driver, smoothing);
  mountedIn(element)?.dispose();
  let shown = { scene: options.scene, look: options.page ?? noLook, pictures };
  const built = new BuiltScene(element, shown, given);
  const staged: Staged = {
    ...{ scenes: built.scenes, driverOf: () => driver, styles: built.styles },
    restyle() {
      built.remeasure();
      spreadFull(built.scenes, built.styles);
    },
    measure: () => built.scenes.forEach(measureLines),
  };
  const live = restartable(() => enliven(staged, { smoothing }));
  return kept<Pick<MountedScene, "update">>(element, live, () => built.release(), {
    update(scene, { page = shown.look, pictures = shown.pictures } = {}) {
      judge(scene);
      shown = { scene, look: page, pictures };
      live.follow(built.update(shown));
    },
  });
}
