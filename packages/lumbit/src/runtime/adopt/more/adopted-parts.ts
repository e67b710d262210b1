import { type Declarations, motionConditions } from "../../../markup/index.ts";
import { partAttributes } from "../../../settings/index.ts";
import type { ElementStyles } from "../../element-styles.ts";
import { measureLines } from "../../lines.ts";
import { adoptSheet } from "../../sheet.ts";
import { spreadFull } from "../../spread.ts";
import { inlineStyles } from "../../style-writer.ts";
import type { Taking } from "../adoption.ts";
import { attributesOf, read } from "../attributes.ts";
import type { Complain } from "../complaints.ts";
import type { LayerStyle } from "../plain-style.ts";
import { type AdoptedBackground, adoptBackground, measureBackgrounds, readBackground } from "./background.ts";
import { judgeCue } from "./json-value.ts";
import { adoptReel, reelsIn } from "./reel.ts";
import { type AdoptedText, adoptText } from "./text.ts";
import { tellUnknown } from "./unknown.ts";

const backgrounds = "[data-lumbit-background-depth]";

/** What is in markup besides scenes and layers: texts in pieces, backgrounds, reels, keyframes. */
export class AdoptedParts {
  readonly #element: HTMLElement;
  readonly #styles: ElementStyles;
  readonly #complain: Complain;
  readonly #texts = new Map<HTMLElement, AdoptedText>();
  readonly #backgrounds = new Map<HTMLElement, AdoptedBackground>();
  #keyframes = { text: "", release: () => {} };

  constructor(element: HTMLElement, styles: ElementStyles, complain: Complain) {
    this.#element = element;
    this.#styles = styles;
    this.#complain = complain;
  }

  /** The elements outside of scenes that become one by their background. */
  alone = (): HTMLElement[] =>
    [
      ...(this.#element.matches(backgrounds) ? [this.#element] : []),
      ...this.#element.querySelectorAll<HTMLElement>(backgrounds),
    ].filter((one) => !one.closest("[data-lumbit-scene]"));

  /** Reads and judges what is in a scene, and gives what takes it. */
  *takings(scene: HTMLElement, isAlone: boolean, native: boolean): Iterable<Taking> {
    const complain = this.#complain;
    for (const element of [scene, ...scene.querySelectorAll<HTMLElement>(backgrounds)]) {
      if (element.closest("[data-lumbit-scene]") !== (isAlone ? null : scene)) continue;
      const depth = read(attributesOf(element, partAttributes, complain), "background-depth");
      if (depth === undefined) continue;
      const known = this.#backgrounds.get(element);
      const background = known ?? readBackground(element);
      yield {
        // Elements may be layers or scenes besides.
        element: background.pane,
        role: `background ${depth}`,
        take: () => {
          this.#backgrounds.set(element, background);
          const undo = adoptBackground(background, depth, this.#styles);
          return () => {
            this.#backgrounds.delete(element);
            undo();
          };
        },
      };
    }
    for (const reel of reelsIn(scene, complain))
      yield {
        element: reel.element,
        role: `reel ${JSON.stringify(reel.settings)} ${reel.slides.length}`,
        take: () => adoptReel(reel, native, this.#styles),
      };
    for (const cued of scene.querySelectorAll<HTMLElement>("[data-lumbit-cue]"))
      judgeCue(attributesOf(cued, partAttributes, complain));
    tellUnknown(scene, complain);
  }

  /** Splits the text of a layer, and gives what makes it one again; `changed` is called when its words have changed. */
  takeText(layer: HTMLElement, { kind }: NonNullable<LayerStyle["pieces"]>, changed: () => void): () => void {
    const text = adoptText(layer, kind, changed);
    this.#texts.set(layer, text);
    return () => {
      text.restore();
      this.#texts.delete(layer);
    };
  }

  stylePieces(layer: HTMLElement, style: Declarations = {}): void {
    for (const piece of this.#texts.get(layer)?.pieces() ?? []) inlineStyles.set(piece, "settings", style);
  }

  writeKeyframes(keyframes: readonly string[]): void {
    const text =
      keyframes.length > 0 ? `@media ${motionConditions.media} {${[...new Set(keyframes)].join("\n")}}` : "";
    if (text === this.#keyframes.text) return;
    const before = this.#keyframes.release;
    this.#keyframes = { text, release: text ? adoptSheet(this.#element, text) : () => {} };
    before();
  }

  spread(scenes: readonly HTMLElement[]): void {
    spreadFull(scenes, this.#styles);
  }

  measure(scenes: readonly HTMLElement[]): void {
    scenes.forEach(measureLines);
    measureBackgrounds([...this.#backgrounds.values()], this.#styles);
  }

  /** Elements whose size says something that the size of their scene may not. */
  measured = (): Element[] => [...this.#backgrounds.keys()];

  release(): void {
    this.#keyframes.release();
  }
}
