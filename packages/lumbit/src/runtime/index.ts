import { haveAll } from "./whole.ts";

haveAll();

export type { Layer } from "../core/layer.ts";
export type { Page, PageLook } from "../core/page.ts";
export type { Scene } from "../core/scene.ts";
export type { Assets } from "../markup/index.ts";
export { AttributeError } from "./adopt/attribute-error.ts";
export type { Driver } from "./driver.ts";
export type { Mounted } from "./enliven.ts";
export type { Listener, SceneEvents } from "./events.ts";
export { type MountOptions, mount } from "./mount.ts";
export type { MarkupOptions } from "./mount-markup.ts";
export { type MountedPage, type MountPageOptions, mountPage } from "./mount-page.ts";
export type { MountedScene, SceneOptions } from "./mount-scene.ts";
export type { MotionOptions } from "./mounted.ts";
export { type ScriptedOptions, scriptedDriver } from "./scripted.ts";
