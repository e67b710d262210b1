import { depthOf } from "./depth.ts";
import type { Layer } from "./page.ts";

/**
 * The layers' paint order, far first, document order among equals: for each layer its place in the order, 0 is
 * painted first.
 */
export function paintOrder(layers: readonly Layer[]): number[] {
  const depths = layers.map(depthOf);
  const sorted = depths
    .map((_, index) => index)
    .sort((a, b) => {
      const [deepA, deepB] = [depths[a] as number, depths[b] as number];
      return deepA === deepB ? a - b : deepB - deepA;
    });
  const order = new Array<number>(layers.length);
  sorted.forEach((layer, place) => {
    order[layer] = place;
  });
  return order;
}
