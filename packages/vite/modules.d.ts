/** A page file, imported as `./page.json?lumbit`. */
declare module "*?lumbit" {
  import type { Page, Scene } from "lumbit/core";
  import type { Assets, Picture } from "lumbit/static";

  /** The page, as its file has it. */
  export const page: Page;
  /** The addresses of its pictures in the site, and the sizes of their files in px, by their paths in the page file. */
  export const pictures: Readonly<Record<string, Picture>>;
  /** The addresses of its pictures and fonts, for `mountPage`. */
  export const assets: Assets;
  /** The scene with a name; throws a RangeError that names the others where there is none. */
  export function scene(name: string): Scene;
}
