import type { Mounted } from "./enliven.ts";
import { type MarkupOptions, mountMarkup } from "./mount-markup.ts";
import { part } from "./parts.ts";

export { AttributeError } from "./adopt/attribute-error.ts";
export type { Mounted } from "./enliven.ts";
export type { Listener, SceneEvents } from "./events.ts";
export type { MarkupOptions } from "./mount-markup.ts";

const more = /* @__PURE__ */ part(() => import("./adopt/more/index.ts").then(({ more }) => more));

/**
 * Brings the scenes of an element's markup to life: the element or elements in it with `data-lumbit-scene` are scenes, and
 * what is in them with `data-lumbit-depth` and the like are their layers, and follow their attributes. Mounting an
 * element again replaces what was mounted there.
 *
 * What only some markup needs is loaded when it is found there, and the markup stays as it is until then.
 *
 * @throws TypeError when there is no element
 */
export const mount = (element: HTMLElement, options?: MarkupOptions): Mounted =>
  mountMarkup(element, options, more);
