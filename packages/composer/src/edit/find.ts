import { type AnyLayer, allLayers, type LayerName, type Page, type Scene } from "lumbit/core";

/** What edits write into: everything but names and kinds may be changed. */
export type Writable<T> = { -readonly [Key in keyof T]: T[Key] };

/** Layers as edits change their lists. */
export type Layers = AnyLayer[];

export const sceneOf = ({ scenes }: Page, scene: string): Writable<Scene> | undefined =>
  scenes.find(({ name }) => name === scene);

export const layerOf = (page: Page, { scene, layer }: LayerName): Writable<AnyLayer> | undefined =>
  allLayers(sceneOf(page, scene)?.layers ?? []).find(({ name }) => name === layer);

/** The list that a layer is in: its scene's, or its group's. */
export function listOf(page: Page, { scene, layer }: LayerName): Layers | undefined {
  const within = (list: readonly AnyLayer[]): Layers | undefined =>
    list.some(({ name }) => name === layer)
      ? (list as Layers)
      : list.map(({ layers }) => layers && within(layers)).find(Boolean);
  return within(sceneOf(page, scene)?.layers ?? []);
}

/** What a page says of checks, to be changed. */
export const checkSettings = ({ checks = [] }: Page) =>
  checks as readonly Writable<NonNullable<Page["checks"]>[number]>[];

/** A name that none of these is: the same, or with the least number behind it that is free. */
export function freeName(wanted: string, taken: Iterable<string>): string {
  const names = new Set(taken);
  if (!names.has(wanted)) return wanted;
  const stem = wanted.replace(/-\d+$/, "");
  let number = 2;
  while (names.has(`${stem}-${number}`)) number++;
  return `${stem}-${number}`;
}

/** Every name in a scene. */
export const namesIn = (page: Page, scene: string): string[] =>
  allLayers(sceneOf(page, scene)?.layers ?? []).map(({ name }) => name);

/** What people typed or files are called, as a name: letters, digits, - and _, a letter first. */
export function nameFrom(text: string): string {
  const name = text
    .normalize("NFC")
    .trim()
    .replace(/[^\p{L}\p{N}_-]+/gu, "-")
    .replace(/^[^\p{L}]+|-+$/gu, "")
    .toLowerCase();
  return name || "layer";
}
