import {
  type AnyLayer,
  allLayers,
  isFitted,
  isText,
  type PageLook,
  type Scene,
  type TextLayer,
} from "../core/index.ts";
import { letterKeys } from "../markup/index.ts";
import type { StyleChange } from "./kept-sheets.ts";

interface Known {
  text: TextLayer;
  look: PageLook;
  letters: string;
  ems: number;
}

/** How wide the widest lines of fitted texts are, in font sizes, as they came out in their document. */
export class MeasuredEms {
  #known = new Map<string, Known>();
  #areOthers = true;
  /** By the keys of the texts (`textKey`): another map where one came out wider or narrower. */
  widths: ReadonlyMap<string, number> = new Map();

  /** Letters may be others, in the same style: all are measured again. */
  forget(): void {
    this.#areOthers = true;
  }

  /**
   * Writes the style of scenes, and once more where a text came out wider or narrower in it: what has changed. Measured
   * are the texts whose letters have changed, all at once.
   */
  write(
    style: () => StyleChange,
    scenes: readonly Scene[],
    look: PageLook,
    elementOf: (scene: Scene, text: TextLayer) => HTMLElement | null,
  ): StyleChange {
    const change = style();
    if (!this.#measure(scenes, look, elementOf)) return change;
    const more = style();
    return change === "rules" || more === "rules" ? "rules" : [...change, ...more];
  }

  #measure(
    scenes: readonly Scene[],
    look: PageLook,
    elementOf: (scene: Scene, text: TextLayer) => HTMLElement | null,
  ): boolean {
    const before = this.#known;
    this.#known = new Map();
    const changed: [Known, HTMLElement | null][] = [];
    for (const scene of scenes)
      for (const text of fittedOf(scene)) {
        const key = textKey(scene, text);
        const known = before.get(key);
        const isSame = known?.text === text && known.look === look;
        const letters = isSame ? known.letters : lettersOf(text, look);
        const now = { text, look, letters, ems: known?.ems ?? Number.NaN };
        this.#known.set(key, now);
        if (this.#areOthers || letters !== known?.letters) changed.push([now, elementOf(scene, text)]);
      }
    this.#areOthers = false;
    const widths = widthsOf(changed.map(([, element]) => element));
    let isAnother = false;
    for (const [index, [known]] of changed.entries()) {
      const ems = widths[index] ?? 1;
      isAnother ||= ems !== known.ems;
      known.ems = ems;
    }
    if (isAnother) this.widths = new Map([...this.#known].map(([key, { ems }]) => [key, ems]));
    return isAnother;
  }
}

/** What tells a text of a page from its others. */
export const textKey = (scene: Scene, text: TextLayer) => `${scene.name} ${text.name}`;

/** The fitted texts of a scene. Most layers are none, and are passed over with every frame of a drag. */
function fittedOf({ layers }: Scene): TextLayer[] {
  const texts: TextLayer[] = [];
  for (let index = 0; index < layers.length; index++) {
    const layer = layers[index] as AnyLayer;
    if (isText(layer) || layer.layers) texts.push(...fittedIn(layer));
  }
  return texts;
}

/** The fitted texts that a layer is, or has in it. */
export function fittedIn(layer: AnyLayer): readonly TextLayer[] {
  let texts = fitted.get(layer);
  if (!texts) {
    texts = allLayers([layer]).filter(isText).filter(isFitted);
    fitted.set(layer, texts);
  }
  return texts;
}
const fitted = new WeakMap<AnyLayer, readonly TextLayer[]>();

/** All that makes the letters of a text what they are. */
const lettersOf = (text: TextLayer, { fontFamily, rules }: PageLook): string =>
  JSON.stringify([
    ...[text, ...(text.rules ?? [])].map((given) =>
      Object.entries(given).filter(([key]) => isOfLetters(key)),
    ),
    ...[fontFamily, rules],
  ]);
const isOfLetters = (key: string) => ["text", "media", ...letterKeys].includes(key);

/**
 * How wide each text is in font sizes, whatever moves or scales it. Measured at a large size, because browsers may
 * round the letters of small ones to whole pixels; all are made large before any is measured, so that the page is laid
 * out once for all of them.
 */
function widthsOf(texts: readonly (HTMLElement | null)[]): number[] {
  const size = 1000;
  for (const text of texts) text?.style.setProperty("font-size", `${size}px`, "important");
  const widths = texts.map((text) => {
    if (!text?.firstChild) return 1;
    const range = text.ownerDocument.createRange();
    range.selectNodeContents(text);
    const scale = text.getBoundingClientRect().width / Number.parseFloat(getComputedStyle(text).width) || 1;
    return Number((range.getBoundingClientRect().width / scale / size).toFixed(4)) || 1;
  });
  for (const text of texts) text?.style.removeProperty("font-size");
  return widths;
}
