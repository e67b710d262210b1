import { type AnyLayer, orderOf, orderSteps, type Scene } from "../core/index.ts";

/**
 * The places of layers in the paint order, as they were when one last passed another: a change of a `z-index` has an
 * engine style all that it stands among, and only how layers stand to each other shows.
 */
export class KeptOrders {
  readonly #scenes = new Map<string, { scene: Scene; orders: readonly number[] }>();

  /** The order of each layer of a scene. */
  of(scene: Scene): readonly number[] {
    const known = this.#scenes.get(scene.name);
    if (known?.scene === scene) return known.orders;
    const orders = scene.layers.map(orderOf);
    const shown =
      known && isSameOrder(known.orders, orders) && !scene.layers.some(isReordered) ? known.orders : orders;
    this.#scenes.set(scene.name, { scene, orders: shown });
    return shown;
  }
}

/** Whether two lists of orders have the same layers painted one after the other, and over their scene's content. */
function isSameOrder(before: readonly number[], after: readonly number[]): boolean {
  const painted = (orders: readonly number[]) =>
    orders.map((_, index) => index).toSorted((a, b) => (orders[a] ?? 0) - (orders[b] ?? 0));
  const [first, second] = [painted(before), painted(after)];
  return (
    before.length === after.length &&
    first.every((index, at) => index === second[at]) &&
    after.every((order, index) => order >= orderSteps === (before[index] ?? 0) >= orderSteps)
  );
}

/** Whether a rule moves a layer in the paint order of some screens. */
const isReordered = ({ rules = [] }: AnyLayer) =>
  rules.some((rule) => "depth" in rule || "speed" in rule || "order" in rule);
