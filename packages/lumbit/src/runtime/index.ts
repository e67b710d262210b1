export type { Layer } from "../core/layer.ts";
export type { Page, PageLook } from "../core/page.ts";
export type { Scene } from "../core/scene.ts";
export { AttributeError } from "./attribute-error.ts";
export type { Driver } from "./driver.ts";
export type { Listener, SceneEvents } from "./events.ts";
export { type Mounted, type MountOptions, mount } from "./mount.ts";
export { type ScriptedOptions, scriptedDriver } from "./scripted.ts";
