import { type AnyLayer, orderOf, type PageLook, type Scene, type TextLayer } from "../core/index.ts";
import {
  type Assets,
  estimatedEms,
  type LayerContext,
  layerContext,
  layerKeyframes,
  layerRules,
  ownSceneRules,
  pageRules,
  type StyleRule,
} from "../markup/index.ts";
import { fittedIn, textKey } from "./ems.ts";
import { KeptOrders } from "./kept-orders.ts";
import { isSame, type KeptStyle } from "./kept-sheets.ts";

/** The style of a page's look. */
export const lookStyle = (look: PageLook, selector: string): KeptStyle => ({
  key: "",
  from: [look],
  keyframes: () => [],
  rules: () => pageRules(look, selector),
});

/** What the style of a scene comes from besides it and its page's look. */
interface Given {
  assets: Assets;
  /** How wide the letters of its fitted texts are: another map where one is another width. */
  ems: ReadonlyMap<string, number>;
}

interface Known {
  scene: Scene;
  around: readonly unknown[];
  orders: readonly number[];
  layers: readonly KeptStyle[];
}

/** The styles of scenes by what they are of. Those that come from the same objects as before are the same objects. */
export class SceneStyles {
  readonly #orders = new KeptOrders();
  readonly #known = new Map<string, Known>();

  /** The style of a scene without its layers, and those of its layers. */
  of(scene: Scene, look: PageLook, { assets, ems }: Given): KeptStyle[] {
    const before = this.#known.get(scene.name);
    const context = layerContext(scene, look, {
      // Without the first style the letters of fitted texts have no shape to be measured.
      ems: (text: TextLayer) => ems.get(textKey(scene, text)) ?? estimatedEms(text),
      ...assets,
    });
    const around = [look, assets, ems, context.pushed, ...context.fixed];
    const orders = this.#orders.of(scene);
    const known = before && isSame(before.around, around) ? before : undefined;
    const layers: KeptStyle[] = [];
    // Loops here and beside: with every frame of a drag all layers are gone through, and calls for each cost more than the rest.
    for (let index = 0; index < scene.layers.length; index++) {
      const layer = scene.layers[index] as AnyLayer;
      const isKept = layer === known?.scene.layers[index] && orders[index] === known.orders[index];
      layers.push(
        isKept
          ? (known.layers[index] as KeptStyle)
          : layerStyle(scene, layer, orders[index], context, assets),
      );
    }
    this.#known.set(scene.name, { scene, around, orders, layers });
    return [ownStyle(scene), ...layers];
  }
}

function ownStyle(scene: Scene): KeptStyle {
  const { layers: _, ...own } = scene;
  return {
    key: scene.name,
    from: Object.entries(own).flat(),
    keyframes: () => [],
    rules: () => ownSceneRules(scene),
  };
}

const layerStyle = (
  scene: Scene,
  layer: AnyLayer,
  order: number | undefined,
  context: LayerContext,
  assets: Assets,
): KeptStyle => ({
  key: `${scene.name} ${layer.name}`,
  from: [
    ...[layer, context.look, assets, context.pushed, context.fixed.includes(layer), order],
    ...fittedIn(layer).map(context.ems),
  ],
  keyframes: () => layerKeyframes(layer),
  rules: () => layerRules(layer, context).map((rule) => ordered(rule, layer, order)),
});

/** A rule of a layer with the order that it keeps. */
const ordered = (rule: StyleRule, layer: AnyLayer, order: number | undefined): StyleRule =>
  !rule.media && rule.declarations["z-index"] === orderOf(layer)
    ? { ...rule, declarations: { ...rule.declarations, "z-index": order } }
    : rule;
