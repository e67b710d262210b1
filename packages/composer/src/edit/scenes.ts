import { allLayers, type Length, type Page, type Scene } from "lumbit/core";
import type { Edit } from "./edit.ts";
import { checkSettings, freeName, sceneOf } from "./find.ts";

const list = (page: Page) => page.scenes as Scene[];
const indexOf = ({ scenes }: Page, scene: string) => scenes.findIndex(({ name }) => name === scene);

/** Puts an empty scene of a screen's height before another one, or at the end. */
export const addScene =
  (name: string, before?: string): Edit =>
  (page) => {
    const at = before === undefined ? -1 : indexOf(page, before);
    list(page).splice(at < 0 ? page.scenes.length : at, 0, { name, height: "100vh", layers: [] });
  };

/** Puts a scene behind another one. */
export const putScene =
  (scene: Scene, behind: string): Edit =>
  (page) => {
    list(page).splice(indexOf(page, behind) + 1, 0, scene);
  };

/** Gives a scene another name; links to it and settings of checks follow. */
export const renameScene =
  (scene: string, to: string): Edit =>
  (page) => {
    const own = sceneOf(page, scene);
    if (!own || indexOf(page, to) >= 0) return;
    own.name = to;
    const links = page.scenes.flatMap(({ content = [], layers }) => [...content, ...allLayers(layers)]);
    for (const block of links as { href?: string }[]) if (block.href === `#${scene}`) block.href = `#${to}`;
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

/** Takes a scene away; the last one of a page stays. */
export const removeScene =
  (scene: string): Edit =>
  (page) => {
    const at = indexOf(page, scene);
    if (at >= 0 && page.scenes.length > 1) list(page).splice(at, 1);
  };

/** Brings a scene to a place among the others, counted without it. */
export const moveScene =
  (scene: string, to: number): Edit =>
  (page) => {
    const [moved] = list(page).splice(indexOf(page, scene), 1);
    if (moved) list(page).splice(to, 0, moved);
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
