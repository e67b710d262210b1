import { allLayers, type Length, type Page, type Scene } from "lumbit/core";
import type { Edit } from "./edit.ts";
import { checkSettings, forgetChecks, freeName, sceneOf } from "./find.ts";
import { followLinks } from "./links.ts";

const list = (page: Page) => page.scenes as Scene[];
const indexOf = ({ scenes }: Page, scene: string) => scenes.findIndex(({ name }) => name === scene);

/** Only the last scene is a footer. */
function keepFooter(page: Page): void {
  for (const scene of list(page).slice(0, -1)) if (scene.as === "footer") delete scene.as;
}

/** Puts an empty scene of a screen's height before another one, or at the end, above a footer. */
export const addScene =
  (name: string, before?: string): Edit =>
  (page) => {
    const at = before === undefined ? -1 : indexOf(page, before);
    const end = page.scenes.at(-1)?.as === "footer" ? -1 : page.scenes.length;
    list(page).splice(at < 0 ? end : at, 0, { name, height: "100vh", layers: [] });
  };

/** Puts a scene behind another one. */
export const putScene =
  (scene: Scene, behind: string): Edit =>
  (page) => {
    list(page).splice(indexOf(page, behind) + 1, 0, scene);
    keepFooter(page);
  };

/** Gives a scene another name; links to it and settings of checks follow. */
export const renameScene =
  (scene: string, to: string): Edit =>
  (page) => {
    const own = sceneOf(page, scene);
    if (!own || indexOf(page, to) >= 0) return;
    own.name = to;
    followLinks(page, `#${scene}`, `#${to}`);
    for (const setting of checkSettings(page)) if (setting.scene === scene) setting.scene = to;
  };

/** The name that a copy of a scene gets. */
export const copyName = (page: Page, scene: string): string =>
  freeName(
    scene,
    page.scenes.map(({ name }) => name),
  );

/** Puts a copy of a scene behind it. */
export const duplicateScene =
  (scene: string): Edit =>
  (page) => {
    const own = sceneOf(page, scene);
    if (own)
      putScene({ ...(JSON.parse(JSON.stringify(own)) as Scene), name: copyName(page, scene) }, scene)(page);
  };

/** Takes a scene away; the last one of a page stays. Links to it lead to the page's top, and what checks say of it goes along. */
export const removeScene =
  (scene: string): Edit =>
  (page) => {
    const at = indexOf(page, scene);
    if (at < 0 || page.scenes.length < 2) return;
    list(page).splice(at, 1);
    followLinks(page, `#${scene}`, "#top");
    forgetChecks(page, scene);
  };

/** Brings a scene to a place among the others, counted without it. */
export const moveScene =
  (scene: string, to: number): Edit =>
  (page) => {
    const [moved] = list(page).splice(indexOf(page, scene), 1);
    if (moved) list(page).splice(to, 0, moved);
    keepFooter(page);
  };

/** Gives a scene a height. */
export const setHeight =
  (scene: string, height: Length): Edit =>
  (page) => {
    const own = sceneOf(page, scene) as { height?: Length } | undefined;
    if (own) own.height = height;
  };

/** Every picture that layers of a page show. */
export const picturesOf = ({ scenes }: Page): Set<string> =>
  new Set(
    scenes.flatMap(({ layers }) =>
      allLayers(layers).flatMap(({ image }) => (image === undefined ? [] : [image])),
    ),
  );
