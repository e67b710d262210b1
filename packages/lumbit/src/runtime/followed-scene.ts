import type { AnyLayer, PageLook, Scene } from "../core/index.ts";
import { type Assets, layerElement, type Staging, stageLayers } from "../markup/index.ts";
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
  const { layers } = scene;
  const others = before.scene.layers;
  let changed = false;
  for (let index = 0; index < layers.length; index++) {
    const layer = layers[index] as AnyLayer;
    const other = others[index];
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
    (["fixed", "back", "front"] as const).every((part) => areNamedAlike(a[part], b[part]))
  );
}

function areNamedAlike(a: readonly AnyLayer[], b: readonly AnyLayer[]): boolean {
  if (a.length !== b.length) return false;
  for (let index = 0; index < a.length; index++)
    if (a[index] !== b[index] && a[index]?.name !== b[index]?.name) return false;
  return true;
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
