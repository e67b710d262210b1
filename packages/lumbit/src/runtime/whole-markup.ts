import { more } from "./adopt/more/index.ts";
import type { Mounted } from "./enliven.ts";
import { type MarkupOptions, mountMarkup } from "./mount-markup.ts";
import { whole } from "./parts.ts";
import { haveAll } from "./whole.ts";

export { AttributeError } from "./adopt/attribute-error.ts";

haveAll();

/** `mount` of `markup.ts`, with everything there from the beginning. */
export const mount = (element: HTMLElement, options?: MarkupOptions): Mounted =>
  mountMarkup(element, options, whole(more));
