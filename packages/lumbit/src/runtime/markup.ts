export { AttributeError } from "./adopt/attribute-error.ts";
export type { Mounted } from "./enliven.ts";
export type { Listener, SceneEvents } from "./events.ts";
export { type MarkupOptions, mountMarkup as mount } from "./mount-markup.ts";
