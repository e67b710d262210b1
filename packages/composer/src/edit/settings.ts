import type { LayerName, Page } from "lumbit/core";
import type { Edit } from "./edit.ts";
import { layerOf, sceneOf } from "./find.ts";

/** What has settings: a layer, a scene, the whole page's look, or the page file itself. */
export type Owner = LayerName | { scene: string; layer?: undefined } | "look" | "page";

type Settings = Record<string, unknown>;

/** What a page without a look gives: the same at each reading, or whoever watches it would be told without end. */
const noLook: Settings = {};

/** The settings that an owner gives. */
export function settingsOf(page: Page, owner: Owner): Settings | undefined {
  if (owner === "page") return page as unknown as Settings;
  if (owner === "look") return (page.page as Settings | undefined) ?? noLook;
  const { scene, layer } = owner;
  const found = layer === undefined ? sceneOf(page, scene) : layerOf(page, { scene, layer });
  return found as unknown as Settings | undefined;
}

/** Gives a setting a value, or takes it away. What excludes each other replaces each other. */
export const setSetting =
  (owner: Owner, setting: string, value: unknown): Edit =>
  (page) => {
    if (owner === "look" && !page.page) (page as unknown as Settings).page = {};
    const settings = settingsOf(page, owner);
    if (!settings) return;
    if (value === undefined) delete settings[setting];
    else settings[setting] = value;
    if (value !== undefined && setting === "depth") delete settings.speed;
    if (value !== undefined && setting === "speed") delete settings.depth;
    if (owner === "look" && Object.keys(page.page ?? {}).length === 0)
      delete (page as unknown as Settings).page;
  };
