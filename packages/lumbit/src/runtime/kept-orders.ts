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
    const before = known?.scene.layers ?? [];
    const orders = scene.layers.map((layer, index) =>
      before[index] === layer ? (known?.orders[index] as number) : orderOf(layer),
    );
    const isKept = known && isSameOrder(known.orders, orders) && !scene.layers.some(isReordered);
    const shown = isKept ? known.shown : orders;
    this.#scenes.set(scene.name, { scene, orders, shown });
    return shown;
  }
}

/** Whether two lists of orders have the same layers painted one after the other, and over their scene's content. */
const isSameOrder = (before: readonly number[], after: readonly number[]): boolean =>
  before.length === after.length &&
  after.every((order, index) => {
    const other = before[index] as number;
    return (
      order === other ||
      (order >= orderSteps === other >= orderSteps &&
        after.every((_, beside) => isOver(after, index, beside) === isOver(before, index, beside)))
    );
  });

/** Whether of two layers the first is painted over the second: equals are in document order. */
const isOver = (orders: readonly number[], one: number, other: number): boolean => {
  const by = (orders[one] as number) - (orders[other] as number);
  return by > 0 || (by === 0 && one > other);
};

/** Whether a rule moves a layer in the paint order of some screens. */
const isReordered = ({ rules = [] }: AnyLayer) =>
  rules.some((rule) => "depth" in rule || "speed" in rule || "order" in rule);
