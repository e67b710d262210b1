import { allLayers, type ImageLayer, isImage, type PageLook, type Scene } from "../core/index.ts";
import { type Assets, fileAt, type Picture, sceneElement, sceneSelector } from "../markup/index.ts";
import { ElementStyles } from "./element-styles.ts";
import { MeasuredEms } from "./ems.ts";
import { followScene, isAlike, lookStyle, sceneStyles } from "./followed-scene.ts";
import { KeptOrders } from "./kept-orders.ts";
import { KeptSheets, type StyleChange } from "./kept-sheets.ts";
import { liveElement } from "./live.ts";
import { isMarked, mark, unmark } from "./marks.ts";
import { adoptModel } from "./model-sheet.ts";
import type { Change } from "./restartable.ts";
import { adoptSheet, sheetHome } from "./sheet.ts";
import { viewOf } from "./view.ts";

/** A scene as it is built in an element, and what its page gives it. */
export interface Built {
  scene: Scene;
  look: PageLook;
  /** Pictures whose address or size is known, by their paths. */
  pictures: Readonly<Record<string, Picture>>;
}

/** A picture that nobody knows the size of does not move when it comes: it is not seen before. */
const unsizedCss = ":is(img, video)[data-lumbit-is~=layer]:not([width]) { visibility: hidden; }";

/** A scene that was built in an element of somebody else's, and can be changed. */
export class BuiltScene {
  readonly styles: ElementStyles;
  readonly #element: HTMLElement;
  readonly #given: boolean;
  readonly #sheets: KeptSheets;
  readonly #orders = new KeptOrders();
  readonly #releases: (() => void)[];
  #shown: Built;
  /** The same object for as long as no size of a picture has become known. */
  #assets: Assets;
  readonly #ems = new MeasuredEms();
  #children: Node[] = [];
  #attributes: [name: string, value: string][] = [];

  /** `given`: the elements are there already, made and changed by somebody else as `sceneElement` has them. */
  constructor(element: HTMLElement, built: Built, given = false) {
    this.#element = element;
    this.#given = given;
    this.#shown = built;
    this.#assets = { pictures: built.pictures, fonts: {} };
    this.styles = new ElementStyles(element);
    this.#sheets = new KeptSheets(sheetHome(element), false);
    const loaded = ({ target }: Event) => this.#loaded(target as HTMLImageElement);
    // The load of a picture does not bubble, but it can be caught on its way down.
    for (const type of ["load", "error"]) element.addEventListener(type, loaded, true);
    this.#releases = [
      adoptModel(element),
      adoptSheet(element, unsizedCss),
      () => {
        for (const type of ["load", "error"]) element.removeEventListener(type, loaded, true);
      },
    ];
    if (!given) this.#build();
    this.#sizeLoaded();
  }

  get scenes(): HTMLElement[] {
    return [this.#element];
  }

  /** Makes the scene another one, and leaves what does not differ. */
  update(built: Built): Change {
    const before = this.#shown;
    this.#shown = built;
    if (built.pictures !== before.pictures)
      this.#assets = { ...this.#assets, pictures: { ...this.#assets.pictures, ...built.pictures } };
    const followed = this.#given
      ? isSameElement(before, built, this.#assets)
      : built.scene.name === before.scene.name
        ? followScene(this.#element, before, built, this.#assets)
        : undefined;
    if (followed === "same") return this.restyle();
    this.#sheets.settle();
    if (!followed && !this.#given) {
      this.#takeDown();
      this.#build();
    }
    this.#sizeLoaded();
    return "elements";
  }

  /** Restyles after a change of the layout: fitted texts are measured anew, whose letters may be others by now. */
  remeasure(): void {
    this.#ems.forget();
    this.restyle();
  }

  restyle(): StyleChange {
    const { scene, look } = this.#shown;
    const given = { assets: this.#assets, ems: this.#ems.of };
    return this.#ems.write(
      () =>
        this.#sheets.replace([
          lookStyle(look, sceneSelector(scene)),
          ...sceneStyles(scene, look, given, this.#orders),
        ]),
      [scene],
      look,
      (_, { name }) => this.#layer(name),
    );
  }

  release(): void {
    // As whoever made it has it.
    if (this.#given) this.#element.dataset.lumbitDriver = "native";
    else this.#takeDown();
    this.styles.release();
    this.#sheets.release();
    for (const release of this.#releases) release();
  }

  #layer = (name: string) =>
    this.#element.querySelector<HTMLElement>(`[data-lumbit-layer="${CSS.escape(name)}"]`);

  #build(): void {
    const element = this.#element;
    const { scene, look } = this.#shown;
    const plain = sceneElement(scene, look, false, this.#assets);
    this.#children = plain.children.map((child) =>
      typeof child === "string" ? new Text(child) : liveElement(child, element.ownerDocument),
    );
    element.prepend(...this.#children);
    const { "data-lumbit-is": marks, ...attributes } = plain.attributes;
    mark(element, ...String(marks).split(" "));
    this.#attributes = Object.entries(attributes).flatMap(([name, value]) =>
      value === undefined || (name === "id" && element.id !== "") ? [] : [[name, String(value)]],
    );
    for (const [name, value] of this.#attributes) element.setAttribute(name, value);
  }

  /** Takes away what was built, and of attributes what nobody else has written since. */
  #takeDown(): void {
    for (const child of this.#children) (child as ChildNode).remove();
    for (const [name, value] of this.#attributes)
      if (name === "data-lumbit-driver" || this.#element.getAttribute(name) === value)
        this.#element.removeAttribute(name);
    for (const own of ["scene", "flows", "track", "crossed"])
      if (isMarked(this.#element, own)) unmark(this.#element, own);
  }

  /** Takes note of the sizes of pictures that are there already. */
  #sizeLoaded(): void {
    for (const picture of this.#element.querySelectorAll("img")) if (picture.complete) this.#loaded(picture);
    // A film is as large as its still, of whose loading it tells nothing.
    for (const video of this.#element.querySelectorAll<HTMLVideoElement>("video[poster]:not([width])")) {
      const still = new (viewOf(video).Image)();
      still.addEventListener("load", () => this.#loaded(still, video));
      still.src = video.poster;
    }
  }

  #loaded(picture: HTMLImageElement, shown: HTMLImageElement | HTMLVideoElement = picture): void {
    const { naturalWidth: width, naturalHeight: height } = picture;
    // The picture of a link is in it.
    const own = shown.closest<HTMLElement>("[data-lumbit-layer]")?.dataset.lumbitLayer;
    const layer = allLayers(this.#shown.scene.layers)
      .filter(isImage)
      .find(({ name }) => name === own);
    if (!layer) return;
    const file = shownPicture(layer, viewOf(shown));
    const { image } = file;
    const known = fileAt(this.#assets.pictures, image);
    if (width > 0 && !known?.width && isFileOf(file, picture.currentSrc, shown.baseURI)) {
      const sized = { url: known?.url ?? image, width, height };
      this.#assets = { ...this.#assets, pictures: { ...this.#assets.pictures, [image]: sized } };
      this.restyle();
    }
    if (!shown.hasAttribute("width") && picture.currentSrc !== "") shown.width = width;
    if (!shown.hasAttribute("height") && picture.currentSrc !== "") shown.height = height;
  }
}

/** Whether two states of a scene have the same elements. */
const isSameElement = (a: Built, b: Built, assets: Assets) =>
  isAlike(sceneElement(a.scene, a.look, false, assets), sceneElement(b.scene, b.look, false, assets))
    ? "same"
    : undefined;

/** The picture of a layer under the rules that hold: the last one that names another decides. */
const shownPicture = (
  { image, variants, rules = [] }: ImageLayer,
  view: Window,
): Pick<ImageLayer, "image" | "variants"> => {
  const rule = rules.findLast((rule) => rule.image !== undefined && view.matchMedia(rule.media).matches);
  return rule?.image === undefined ? { image, variants } : { image: rule.image, variants: rule.variants };
};

/** Whether an address is that of a picture or of one of its variants: a picture that still loads shows the one before. */
const isFileOf = (
  { image, variants = {} }: Pick<ImageLayer, "image" | "variants">,
  url: string,
  base: string,
) => [image, ...Object.values(variants)].some((file) => new URL(file, base).href === url);
