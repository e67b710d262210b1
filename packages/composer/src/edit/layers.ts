import { type AnyLayer, allLayers, type LayerName, type Page, speedOf } from "lumbit/core";
import { isGroup, isRow } from "lumbit/internal";
import type { Edit } from "./edit.ts";
import {
  bundlesIn,
  checkSettings,
  forgetChecks,
  freeName,
  type Layers,
  layerOf,
  listOf,
  namesIn,
  sceneOf,
  type Writable,
} from "./find.ts";
import { followLinks } from "./links.ts";
import { setSpeed } from "./set-depth.ts";

/** Gives a layer another name; links to it and settings of checks that name it follow. */
export const renameLayer =
  (name: LayerName, to: string): Edit =>
  (page) => {
    const layer = layerOf(page, name);
    if (!layer || namesIn(page, name.scene).includes(to)) return;
    layer.name = to;
    followLinks(page, `#${name.scene}/${name.layer}`, `#${name.scene}/${to}`);
    for (const setting of checkSettings(page))
      if (setting.scene === name.scene && setting.layer === name.layer) setting.layer = to;
  };

/** Switches a setting of layers on, or takes it away. */
export const flag =
  (names: readonly LayerName[], setting: "hidden" | "locked", on: boolean): Edit =>
  (page) => {
    for (const name of names) {
      const layer = layerOf(page, name);
      if (!layer) continue;
      if (on) layer[setting] = true;
      else delete layer[setting];
    }
  };

/** Ties layers into a bundle, in which each keeps its depth and its place in the order, or takes them out of theirs. */
export const bundle =
  (names: readonly LayerName[], name: string | undefined): Edit =>
  (page) => {
    for (const own of names) {
      const layer = layerOf(page, own);
      if (!layer) continue;
      if (name === undefined) delete layer.bundle;
      else layer.bundle = name;
    }
  };

/** A layer and all that are in its bundle. */
export function bundleOf(page: Page, { scene, layer }: LayerName): string[] {
  const layers = allLayers(sceneOf(page, scene)?.layers ?? []);
  const name = layers.find((own) => own.name === layer)?.bundle;
  return name === undefined
    ? [layer]
    : layers.filter(({ bundle }) => bundle === name).map(({ name }) => name);
}

/** Takes layers away; links to them lead to their scene, and what checks say of them goes along. */
export const removeLayers =
  (names: readonly LayerName[]): Edit =>
  (page) => {
    for (const name of names) {
      const list = listOf(page, name);
      const at = list?.findIndex(({ name: layer }) => layer === name.layer) ?? -1;
      if (!list || at < 0) continue;
      for (const gone of allLayers(list.splice(at, 1))) {
        followLinks(page, `#${name.scene}/${gone.name}`, `#${name.scene}`);
        forgetChecks(page, name.scene, gone.name);
      }
    }
  };

/** Layers with names that are free in a scene, inner ones too; what is bundled is a bundle of its own there. */
export function named(page: Page, scene: string, layers: readonly AnyLayer[]): AnyLayer[] {
  const taken = new Set(namesIn(page, scene));
  const known = bundlesIn(page, scene);
  const bundles = new Map(
    [...new Set(layers.flatMap(({ bundle = [] }) => bundle))].map((name) => [name, freeName(name, known)]),
  );
  const free = (layer: AnyLayer): AnyLayer => {
    const name = freeName(layer.name, taken);
    taken.add(name);
    const bundle = layer.bundle && bundles.get(layer.bundle);
    const copy = { ...layer, name, ...(bundle && { bundle }) };
    return isGroup(copy) ? ({ ...copy, layers: copy.layers.map(free) } as AnyLayer) : copy;
  };
  return layers.map(free);
}

/** Puts layers into a scene, in front of equals: behind a layer of it in reading order, or at its end. */
export const addLayers =
  (scene: string, layers: readonly AnyLayer[], after?: string): Edit =>
  (page) => {
    const list = sceneOf(page, scene)?.layers as Layers | undefined;
    const at = list?.findIndex(({ name }) => name === after) ?? -1;
    list?.splice(at < 0 ? list.length : at + 1, 0, ...layers);
  };

/** Puts copies behind the last of the layers that they are of: into its row or group, where all of them are in one. */
export const addCopies =
  (names: readonly LayerName[], copies: readonly AnyLayer[]): Edit =>
  (page) => {
    const last = names.at(-1);
    const list = last && listOf(page, last);
    if (!last || !list) return;
    const isOne = names.every((name) => listOf(page, name) === list);
    if (!isOne) return addLayers(last.scene, copies)(page);
    list.splice(list.findIndex(({ name }) => name === last.layer) + 1, 0, ...copies);
  };

/** Whole layers as they are written, in the order of their scene. */
export const copiesOf = (page: Page, names: readonly LayerName[]): AnyLayer[] =>
  names.flatMap(({ scene, layer }) => {
    const found = allLayers(sceneOf(page, scene)?.layers ?? []).find(({ name }) => name === layer);
    return found ? [structuredClone(found)] : [];
  });

/** Brings layers of one list before another one of it, or to its end: it decides what of one depth is in front, and the reading order. */
export const reorder =
  (names: readonly LayerName[], before: string | undefined): Edit =>
  (page) => {
    const [first] = names;
    const list = first && listOf(page, first);
    if (!list) return;
    const moved = list.filter(({ name }) => names.some(({ layer }) => layer === name));
    const rest = list.filter((layer) => !moved.includes(layer));
    const at = rest.findIndex(({ name }) => name === before);
    list.splice(0, list.length, ...rest.toSpliced(at < 0 ? rest.length : at, 0, ...moved));
  };

/** Gives layers equal steps of speed between the slowest and the fastest of them, so that each can be told from the next. */
export const spread =
  (names: readonly LayerName[]): Edit =>
  (page) => {
    const sorted = names
      .flatMap((name) => {
        const layer = layerOf(page, name);
        return layer ? [{ name, speed: speedOf(layer) }] : [];
      })
      .sort((a, b) => a.speed - b.speed);
    const [from, to] = [sorted[0]?.speed ?? 0, sorted.at(-1)?.speed ?? 0];
    // The ends stay as they are written.
    for (const [index, { name }] of sorted.entries())
      if (index > 0 && index < sorted.length - 1)
        setSpeed(name, from + ((to - from) * index) / (sorted.length - 1))(page);
  };

const filling = { left: 0, right: 0, top: 0, bottom: 0 };

/** Puts layers of one list into a group that fills what they are in and moves as the nearest of them. */
export const group =
  (names: readonly LayerName[], name: string): Edit =>
  (page) => {
    const [first] = names;
    const list = first && listOf(page, first);
    if (!list) return;
    const inner = list.filter((layer) => names.some(({ layer: own }) => own === layer.name));
    const last = inner.at(-1);
    if (!last) return;
    const at = list.indexOf(last);
    const nearest = inner.toSorted((a, b) => speedOf(b) - speedOf(a))[0];
    const { depth, speed } = nearest ?? {};
    const motion = speed !== undefined ? { speed } : depth !== undefined ? { depth } : {};
    // Off the edges of what they were in they stand where they stood; a row says itself where its layers stand.
    const isInRow = allLayers(sceneOf(page, first.scene)?.layers ?? []).some(
      (own) => isRow(own) && own.layers === list,
    );
    const made = { name, ...motion, ...(!isInRow && { place: filling }), layers: inner } as AnyLayer;
    const rest = list.toSpliced(at, 1, made).filter((layer) => !inner.includes(layer));
    list.splice(0, list.length, ...rest);
  };

/** Takes a group apart: what was in it moves by its own depth, or as the group did, and stands where it stood. */
export const ungroup =
  (name: LayerName, standing?: Edit): Edit =>
  (page) => {
    const list = listOf(page, name);
    const found = layerOf(page, name);
    const at = list?.findIndex(({ name: own }) => own === name.layer) ?? -1;
    if (!list || !found?.layers || at < 0) return;
    const { depth, speed } = found;
    for (const layer of found.layers as Writable<AnyLayer>[]) {
      // What had a depth before it was grouped has it again.
      if (layer.depth !== undefined || layer.speed !== undefined) continue;
      if (speed !== undefined) layer.speed = speed;
      else if (depth !== undefined) layer.depth = depth;
    }
    list.splice(at, 1, ...(found.layers as Layers));
    followLinks(page, `#${name.scene}/${name.layer}`, `#${name.scene}`);
    standing?.(page);
  };
