import { type AnyLayer, orderOf, type PageLook, type Scene, type TextLayer } from "../core/index.ts";
import {
  type Assets,
  estimatedEms,
  layerContext,
  layerElement,
  layerKeyframes,
  layerRules,
  ownSceneRules,
  pageRules,
  type Staging,
  type StyleRule,
  stageLayers,
} from "../markup/index.ts";
import { fittedIn, type MeasuredEms } from "./ems.ts";
import type { KeptOrders } from "./kept-orders.ts";
import { isSame, type KeptStyle } from "./kept-sheets.ts";
import { liveElement } from "./live.ts";

/** A scene with what its page gives it. */
export interface Look {
  scene: Scene;
  look: PageLook;
}

export const isAlike = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * Makes the elements of a scene those of another state of it, and leaves those that stay: whether any is another one.
 * Nothing is done where its layers stand in other places; all of it is to be built then.
 */
export function followScene(
  element: Element,
  before: Look,
  { scene, look }: Look,
  assets: Assets,
): "same" | "changed" | undefined {
  if (!isStagedAlike(before, { scene, look })) return undefined;
  const { fixed } = stagingOf({ scene, look });
  let changed = false;
  for (const [index, layer] of scene.layers.entries()) {
    const other = before.scene.layers[index];
    if (!other || other === layer) continue;
    const still = fixed.includes(layer);
    const plain = layerElement(layer, still, false, assets);
    if (isAlike(plain, layerElement(other, still, false, assets))) continue;
    elementOf(element, other)?.replaceWith(liveElement(plain, element.ownerDocument));
    changed = true;
  }
  return changed ? "changed" : "same";
}

/** The outermost element of a layer of a scene: its pane, or the picture with its sources. */
function elementOf(scene: Element, { name }: AnyLayer): Element | null {
  const [own] = ["pane", "layer"].flatMap((part) => [
    ...scene.querySelectorAll(`[data-lumbit-${part}="${CSS.escape(name)}"]`),
  ]);
  return own?.parentElement?.localName === "picture" ? own.parentElement : (own ?? null);
}

/** Whether two states of a scene have their layers in the same places of the same elements. */
function isStagedAlike(before: Look, after: Look): boolean {
  if (before.scene === after.scene && before.look === after.look) return true;
  const frame = ({ scene: { as, content, hold, rules } }: Look) => [
    as,
    content,
    hold === undefined,
    rules?.map((rule) => "hold" in rule),
  ];
  const [a, b] = [stagingOf(before), stagingOf(after)];
  return (
    isAlike(frame(before), frame(after)) &&
    (["fixed", "back", "front"] as const).every(
      (part) =>
        a[part].length === b[part].length &&
        a[part].every((layer, index) => layer.name === b[part][index]?.name),
    )
  );
}

/** Where the layers of a state stand: the next one is compared with it, and it is not asked for twice. */
const stagings = new WeakMap<Scene, { look: PageLook; staging: Staging }>();
function stagingOf({ scene, look }: Look): Staging {
  const known = stagings.get(scene);
  if (known?.look === look) return known.staging;
  const staging = stageLayers(scene, look);
  stagings.set(scene, { look, staging });
  return staging;
}

/** The style of a page's look. */
export const lookStyle = (look: PageLook, selector: string): KeptStyle => ({
  key: "",
  from: [look],
  keyframes: () => [],
  rules: () => pageRules(look, selector),
});

/**
 * Every style of a scene by what it is of. `given` is what it comes from besides the scene: where all is the same object
 * as before, and the letters of fitted texts are as wide, nothing is written again.
 */
export function sceneStyles(
  scene: Scene,
  look: PageLook,
  given: { assets: Assets; ems: MeasuredEms["of"] },
  orders: KeptOrders,
): KeptStyle[] {
  const { layers: _, ...own } = scene;
  // Without the first style the letters of fitted texts have no shape to be measured.
  const ems = (text: TextLayer) => given.ems(scene, text) ?? estimatedEms(text);
  const context = layerContext(scene, look, { ems, ...given.assets });
  const around = [look, given.assets, context.pushed, scene.name];
  const kept = orders.of(scene);
  return [
    {
      key: scene.name,
      from: Object.entries(own).flat(),
      keyframes: () => [],
      rules: () => ownSceneRules(scene),
    },
    ...scene.layers.map((layer, index) => {
      const order = kept[index];
      const still = context.fixed.includes(layer);
      const letters = fittedIn(layer).map(ems).join();
      const known = layerStyles.get(layer);
      if (
        known &&
        known.order === order &&
        known.still === still &&
        known.letters === letters &&
        isSame(known.around, around)
      )
        return known.style;
      const style: KeptStyle = {
        key: `${scene.name} ${layer.name}`,
        from: [layer, ...around, still, order, letters],
        keyframes: () => layerKeyframes(layer),
        rules: () => layerRules(layer, context).map((rule) => ordered(rule, layer, order)),
      };
      layerStyles.set(layer, { style, around, still, order, letters });
      return style;
    }),
  ];
}

/** The style of a layer as it was last, and what it came from: the same object says that nothing has changed. */
const layerStyles = new WeakMap<
  AnyLayer,
  {
    style: KeptStyle;
    around: readonly unknown[];
    still: boolean;
    order: number | undefined;
    letters: string;
  }
>();

/** A rule of a layer with the order that it keeps. */
const ordered = (rule: StyleRule, layer: AnyLayer, order: number | undefined): StyleRule =>
  !rule.media && rule.declarations["z-index"] === orderOf(layer)
    ? { ...rule, declarations: { ...rule.declarations, "z-index": order } }
    : rule;
