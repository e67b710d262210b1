export { AttributeError } from "./attribute-error.ts";
export type { Driver } from "./driver.ts";
export type { Listener, SceneEvents } from "./events.ts";
export { type Mounted, type MountOptions, mount } from "./mount.ts";
export { type ScriptedOptions, scriptedDriver } from "./scripted.ts";
