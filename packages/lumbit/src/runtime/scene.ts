import { type MountedScene, mountScene, type SceneOptions } from "./mount-scene.ts";
import { part } from "./parts.ts";
import { PlainScene } from "./plain-scene.ts";

export type { PageLook } from "../core/page.ts";
export type { Scene } from "../core/scene.ts";
export type { Mounted } from "./enliven.ts";
export type { Listener, SceneEvents } from "./events.ts";
export type { MountedScene, SceneOptions } from "./mount-scene.ts";

const builder = {
  all: /* @__PURE__ */ part(() => import("./build.ts").then(({ buildScene }) => buildScene)),
  plain: (...given: ConstructorParameters<typeof PlainScene>) => new PlainScene(...given),
};

/**
 * Builds a scene in an element and brings it to life. Mounting an element again replaces what was mounted there.
 *
 * A scene of pictures, shapes and texts at their depths stands at once. What builds any other, and changes scenes, is loaded
 * when it is asked for; until then an element is as high as its scene.
 *
 * @throws TypeError when there is no element
 * @throws SceneError in development, when it is not written as scenes are
 */
export const mount = (element: HTMLElement, options: SceneOptions): MountedScene =>
  mountScene(element, options, builder);
