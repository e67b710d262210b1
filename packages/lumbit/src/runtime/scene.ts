export type { PageLook } from "../core/page.ts";
export type { Scene } from "../core/scene.ts";
export type { Mounted } from "./enliven.ts";
export type { Listener, SceneEvents } from "./events.ts";
export { type MountedScene, mountScene as mount, type SceneOptions } from "./mount-scene.ts";
