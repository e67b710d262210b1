import { type AnyLayer, isGroup } from "../core/index.ts";

/** Where on a page something is that holds at every scroll position, and on every screen. */
export const inPage = { from: 0, to: 0, amount: 1 };

/** Layers and what is in groups, with JSON Pointers to them. */
export const walk = (layers: readonly AnyLayer[], path: string): { layer: AnyLayer; path: string }[] =>
  layers.flatMap((layer, index) => {
    const own = { layer, path: `${path}/layers/${index}` };
    return isGroup(layer) ? [own, ...walk(layer.layers as readonly AnyLayer[], own.path)] : [own];
  });
