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

/** Layers of a scene without those that are in a group that is among them. */
export function withoutInner(page: Page, scene: string, layers: readonly string[]): readonly string[] {
  const inner = new Set(
    allLayers(sceneOf(page, scene)?.layers ?? []).flatMap((layer) =>
      layers.includes(layer.name) ? allLayers(layer.layers ?? []).map(({ name }) => name) : [],
    ),
  );
  return layers.some((layer) => inner.has(layer)) ? layers.filter((layer) => !inner.has(layer)) : layers;
}

/** What a page says of checks, to be changed. */
export const checkSettings = ({ checks = [] }: Page) =>
  checks as readonly Writable<NonNullable<Page["checks"]>[number]>[];

/** What a page says of checks of a scene, or of a layer of it. */
export const checksOf = (page: Page, scene: string, layer?: string) =>
  checkSettings(page).filter((own) => own.scene === scene && (layer === undefined || own.layer === layer));

/** That it went along, in words. */
export const checksGone = (count: number, of: string): string =>
  `What the page decides about ${count === 1 ? "a finding" : `${count} findings`} of ${of} went along with it.`;

/** Takes away what a page says of checks of a scene, or of a layer of it, that is no more. */
export function forgetChecks(page: Writable<Page>, scene: string, layer?: string): void {
  const gone = checksOf(page, scene, layer);
  if (gone.length === 0) return;
  const left = checkSettings(page).filter((own) => !gone.includes(own));
  if (left.length > 0) page.checks = left;
  else delete page.checks;
}

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

/** The names of all bundles of a scene. */
export const bundlesIn = (page: Page, scene: string): Set<string> =>
  new Set(allLayers(sceneOf(page, scene)?.layers ?? []).flatMap(({ bundle = [] }) => bundle));

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
