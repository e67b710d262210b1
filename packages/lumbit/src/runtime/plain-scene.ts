import { isPlain, plainElement, plainFrame, plainRules, plainSceneCss, ruleCss } from "../markup/index.ts";
import type { Built } from "./build.ts";
import { BuiltElements } from "./built-elements.ts";
import { ElementStyles } from "./element-styles.ts";
import { PictureSizes } from "./picture-sizes.ts";
import { adoptSheet, adoptSheets } from "./sheet.ts";

/**
 * A plain scene that was built in an element of somebody else's, or what is plain of another one without its layers: its
 * height stands, and who builds the rest goes on with it.
 */
export class PlainScene {
  /** What of the scene stands. */
  readonly shown: Built;
  /** Whether that is all of it. */
  readonly isWhole: boolean;
  readonly elements: BuiltElements;
  readonly scenes: HTMLElement[];
  readonly styles: ElementStyles;
  readonly #sizes: PictureSizes;
  readonly #releaseModel: () => void;
  #releaseStyle = () => {};

  constructor(element: HTMLElement, built: Built) {
    const { scene, look, pictures } = built;
    this.isWhole = isPlain(scene, look, { pictures, fonts: {} });
    this.shown = this.isWhole ? built : { scene: plainFrame(scene), look: {}, pictures };
    this.scenes = [element];
    this.styles = new ElementStyles(element);
    this.#releaseModel = adoptSheets(element, plainSceneCss);
    this.#sizes = new PictureSizes(
      element,
      pictures,
      () => this.shown.scene,
      () => this.remeasure(),
    );
    this.elements = new BuiltElements(
      element,
      plainElement(this.shown.scene, this.shown.look, this.#sizes.assets),
    );
    this.#sizes.note();
  }

  remeasure(): void {
    const { scene, look } = this.shown;
    const rules = plainRules(scene, look, this.#sizes.assets).map(ruleCss);
    const before = this.#releaseStyle;
    this.#releaseStyle = adoptSheet(this.scenes[0] as HTMLElement, rules.join("\n"));
    before();
  }

  /** What is known of its pictures. */
  get pictures(): Built["pictures"] {
    return this.#sizes.assets.pictures;
  }

  /** Leaves its elements, and what is written on them, to who goes on. */
  leave(): void {
    this.#sizes.release();
    this.#releaseStyle();
    this.#releaseModel();
  }

  release(): void {
    this.elements.takeDown();
    this.styles.release();
    this.leave();
  }
}
