import type { Plugin } from "vite";
import { imported } from "./imported.ts";
import { type Pages, pagesOf } from "./pages.ts";

/** What of a Vite site comes from page files. */
export interface LumbitOptions {
  /** Whole pages as part of the site: where in it each is, `""` for its root, and its page file from the root of the project. */
  pages?: Pages;
}

/**
 * Page files in Vite. `import { scene, pictures } from "./page.json?lumbit"` gives a page's scenes as typed data, with the
 * addresses that its pictures have in the site; `pages` builds whole pages into it. Both follow their files while somebody
 * develops, and say what is wrong with them, line by line.
 */
export function lumbit({ pages = {} }: LumbitOptions = {}): Plugin[] {
  return [imported(), pagesOf(pages)];
}
