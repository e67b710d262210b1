export { AttributeError } from "./attributes.ts";
export type { Driver } from "./driver.ts";
export { type Mounted, type MountOptions, mount } from "./mount.ts";
export { type ScriptedOptions, scriptedDriver } from "./scripted.ts";
