import { noLook, type PageLook, type Scene } from "../core/index.ts";
import type { Picture } from "../markup/index.ts";
import type { Built, BuiltScene } from "./build.ts";
import { driverFor, enliven, type Mounted, type Staged } from "./enliven.ts";
import { kept, type MotionOptions, mountedIn, requireElement } from "./mounted.ts";
import { type Part, withPart } from "./parts.ts";
import type { PlainScene } from "./plain-scene.ts";
import { restartable } from "./restartable.ts";

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

/** Who builds scenes. */
export interface Builder {
  /** Of all kinds, whatever stands there already. */
  all: Part<(element: HTMLElement, built: Built, standing?: PlainScene) => BuiltScene>;
  /** Until that is loaded: plain ones, and of others what is plain. */
  plain?: (element: HTMLElement, built: Built) => PlainScene;
}

let judged: ((scene: Scene) => void) | undefined;

/** Has scenes judged before they are shown: what development has, and production does not. */
export const judgeScenes = (judge: (scene: Scene) => void): void => {
  judged = judge;
};

/** `mount` of a scene, with who builds it; `tell` is told what is wrong with it where that shall not be thrown. */
export function mountScene(
  element: HTMLElement,
  options: SceneOptions,
  { all, plain }: Builder,
  tell?: (message: string) => void,
): MountedScene {
  requireElement(element);
  const judge = (scene: Scene) => {
    try {
      judged?.(scene);
    } catch (error) {
      if (!tell) throw error;
      tell((error as Error).message);
    }
  };
  judge(options.scene);
  const { smoothing = 0, pictures = {} } = options;
  const driver = driverFor(options.driver, smoothing);
  mountedIn(element)?.dispose();
  let shown = { scene: options.scene, look: options.page ?? noLook, pictures };
  let isOver = false;
  let first = all.there ? undefined : plain?.(element, shown);
  let built = all.there?.(element, shown);
  const standing = () => (built ?? first) as BuiltScene | PlainScene;
  const staged: Staged = {
    ...{ scenes: standing().scenes, driverOf: () => driver, styles: standing().styles },
    restyle: () => standing().remeasure(),
    measure: () => built?.measure(),
  };
  const live = restartable(() => enliven(staged, { smoothing }));
  /** Shows what is to be shown, as soon as who builds all is there. */
  const show = () =>
    withPart(all, (build) => {
      if (isOver) return;
      const before = built ? undefined : first;
      built ??= build(element, before?.shown ?? shown, before);
      first = undefined;
      live.follow(built.update(shown));
      before?.leave();
    });
  if (first && !first.isWhole) show();
  return kept<Pick<MountedScene, "update">>(
    element,
    live,
    () => {
      isOver = true;
      standing().release();
    },
    {
      update(scene, { page = shown.look, pictures = shown.pictures } = {}) {
        judge(scene);
        shown = { scene, look: page, pictures };
        show();
      },
    },
  );
}
