import type { PageLook, Scene } from "../core/index.ts";
import { type Assets, type Picture, sceneElement, sceneSelector } from "../markup/index.ts";
import { BuiltElements } from "./built-elements.ts";
import { ElementStyles } from "./element-styles.ts";
import { MeasuredEms } from "./ems.ts";
import { followScene, isAlike } from "./followed-scene.ts";
import { KeptSheets, type StyleChange } from "./kept-sheets.ts";
import { measureLines } from "./lines.ts";
import { movingModel } from "./model-sheets.ts";
import { whole } from "./parts.ts";
import { PictureSizes } from "./picture-sizes.ts";
import type { PlainScene } from "./plain-scene.ts";
import type { Change } from "./restartable.ts";
import { lookStyle, SceneStyles } from "./scene-styles.ts";
import { adoptSheets, sheetHome } from "./sheet.ts";
import { spreadFull } from "./spread.ts";

/** A scene as it is built in an element, and what its page gives it. */
export interface Built {
  scene: Scene;
  look: PageLook;
  /** Pictures whose address or size is known, by their paths. */
  pictures: Readonly<Record<string, Picture>>;
}

/** A scene that was built in an element of somebody else's, and can be changed. */
export class BuiltScene {
  readonly styles: ElementStyles;
  readonly #element: HTMLElement;
  readonly #sheets: KeptSheets;
  readonly #sceneStyles = new SceneStyles();
  readonly #ems = new MeasuredEms();
  readonly #sizes: PictureSizes;
  readonly #releaseModel: () => void;
  #shown: Built;
  /** None where somebody else makes and changes the elements, as `sceneElement` has them. */
  #elements: BuiltElements | undefined;

  /** `standing`: what stands there already, or that its elements do, which somebody else makes. */
  constructor(element: HTMLElement, built: Built, standing?: PlainScene | "given") {
    this.#element = element;
    this.#shown = built;
    const before = standing === "given" ? undefined : standing;
    this.styles = before?.styles ?? new ElementStyles(element);
    this.#sheets = new KeptSheets(sheetHome(element), false);
    this.#releaseModel = adoptSheets(element, ...movingModel);
    this.#sizes = new PictureSizes(
      element,
      before?.pictures ?? built.pictures,
      () => this.#shown.scene,
      () => this.restyle(),
    );
    this.#elements = standing === "given" ? undefined : (before?.elements ?? this.#build());
    this.#sizes.note();
  }

  get scenes(): HTMLElement[] {
    return [this.#element];
  }

  /** Makes the scene another one, and leaves what does not differ. */
  update(built: Built): Change {
    const before = this.#shown;
    this.#shown = built;
    if (built.pictures !== before.pictures) this.#sizes.know(built.pictures);
    const { assets } = this.#sizes;
    const followed = !this.#elements
      ? isSameElement(before, built, assets)
      : built.scene.name === before.scene.name
        ? followScene(this.#element, before, built, assets)
        : undefined;
    if (followed === "same") return this.restyle();
    this.#sheets.settle();
    if (!followed && this.#elements) {
      this.#elements.takeDown();
      this.#elements = this.#build();
    }
    this.#sizes.note();
    return "elements";
  }

  /** Restyles after a change of the layout: fitted texts are measured anew, whose letters may be others by now. */
  remeasure(): void {
    this.#ems.forget();
    this.restyle();
    spreadFull(this.scenes, this.styles);
  }

  /** Measures what is known only where the scene lies. */
  measure(): void {
    measureLines(this.#element);
  }

  restyle(): StyleChange {
    const { scene, look } = this.#shown;
    const { assets } = this.#sizes;
    return this.#ems.write(
      () =>
        this.#sheets.replace([
          lookStyle(look, sceneSelector(scene)),
          ...this.#sceneStyles.of(scene, look, { assets, ems: this.#ems.widths }),
        ]),
      [scene],
      look,
      (_, { name }) => this.#layer(name),
    );
  }

  release(): void {
    // As whoever made it has it.
    if (this.#elements) this.#elements.takeDown();
    else this.#element.dataset.lumbitDriver = "native";
    this.styles.release();
    this.#sheets.release();
    this.#sizes.release();
    this.#releaseModel();
  }

  #layer = (name: string) =>
    this.#element.querySelector<HTMLElement>(`[data-lumbit-layer="${CSS.escape(name)}"]`);

  #build(): BuiltElements {
    const { scene, look } = this.#shown;
    return new BuiltElements(this.#element, sceneElement(scene, look, false, this.#sizes.assets));
  }
}

/** Whether two states of a scene have the same elements. */
const isSameElement = (a: Built, b: Built, assets: Assets) =>
  isAlike(sceneElement(a.scene, a.look, false, assets), sceneElement(b.scene, b.look, false, assets))
    ? "same"
    : undefined;

export const buildScene = (element: HTMLElement, built: Built, standing?: PlainScene): BuiltScene =>
  new BuiltScene(element, built, standing);

/** Who builds scenes is there from the beginning. */
export const buildAtOnce = { all: whole(buildScene) };
