import { type AnyLayer, orderOf, orderSteps, type Scene } from "../core/index.ts";

/**
 * The places of layers in the paint order, as they were when one last passed another: a change of a `z-index` has an
 * engine style all that it stands among, and only how layers stand to each other shows.
 */
export class KeptOrders {
  readonly #scenes = new Map<string, { scene: Scene; orders: readonly number[]; shown: readonly number[] }>();

  /** The order of each layer of a scene. */
  of(scene: Scene): readonly number[] {
    const known = this.#scenes.get(scene.name);
    if (known?.scene === scene) return known.shown;
    const { layers } = scene;
    const before = known?.scene.layers ?? [];
    const orders: number[] = [];
    for (let index = 0; index < layers.length; index++) {
      const layer = layers[index] as AnyLayer;
      orders.push(layer === before[index] ? (known?.orders[index] as number) : orderOf(layer));
    }
    const isKept = known && isSameOrder(known.orders, orders) && !layers.some(isReordered);
    const shown = isKept ? known.shown : orders;
    this.#scenes.set(scene.name, { scene, orders, shown });
    return shown;
  }
}

/** Whether two lists of orders have the same layers painted one after the other, and over their scene's content. */
function isSameOrder(before: readonly number[], after: readonly number[]): boolean {
  if (before.length !== after.length) return false;
  for (let index = 0; index < after.length; index++)
    if (before[index] !== after[index] && passesAny(before, after, index)) return false;
  return true;
}

/** Whether a layer passes another one, or its scene's content: equals are in document order. */
function passesAny(before: readonly number[], after: readonly number[], own: number): boolean {
  const from = before[own] as number;
  const to = after[own] as number;
  if (from >= orderSteps !== to >= orderSteps) return true;
  for (let index = 0; index < after.length; index++) {
    const wasOver = (from - (before[index] as number) || own - index) > 0;
    const isOver = (to - (after[index] as number) || own - index) > 0;
    if (wasOver !== isOver) return true;
  }
  return false;
}

/** Whether a rule moves a layer in the paint order of some screens. */
const isReordered = ({ rules }: AnyLayer) =>
  rules?.some((rule) => "depth" in rule || "speed" in rule || "order" in rule);
