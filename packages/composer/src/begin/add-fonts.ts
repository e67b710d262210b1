import { setSetting } from "../edit/settings.ts";
import type { Added } from "../home/home.ts";
import type { Composer } from "../state/store.ts";

/** Has the page ship fonts that were copied into its home, under the names of their files. */
export function addFonts(composer: Composer, added: readonly Added[]): void {
  const faces = added.flatMap(({ path, font }) =>
    font === undefined ? [] : [{ family: familyFrom(path), src: path }],
  );
  if (faces.length === 0) return;
  const { fonts = [] } = composer.store.getState().page;
  composer.edit(
    `font ${faces.map(({ family }) => family).join(", ")}: new`,
    setSetting("page", "fonts", [...fonts, ...faces]),
  );
}

/** What a font is called by its file, as words. */
const familyFrom = (path: string) =>
  (path.split("/").at(-1) ?? path)
    .replace(/\.\w+$/, "")
    .split(/[-_ ]+/)
    .map((word) => word.replace(/^./, (letter) => letter.toUpperCase()))
    .join(" ");
