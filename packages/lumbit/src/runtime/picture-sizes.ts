import { allLayers, type ImageLayer, isImage, type Scene } from "../core/index.ts";
import { type Assets, fileAt, type Picture } from "../markup/index.ts";
import { adoptSheet } from "./sheet.ts";
import { viewOf } from "./view.ts";

/** A picture that nobody knows the size of does not move when it comes: it is not seen before. */
const unsizedCss = ":is(img, video)[data-lumbit-is~=layer]:not([width]) { visibility: hidden; }";

/** The pictures of a scene in an element: what is known of them, and what becomes known of their sizes as they load. */
export class PictureSizes {
  readonly #element: HTMLElement;
  readonly #shown: () => Scene;
  readonly #changed: () => void;
  readonly #releases: (() => void)[];
  /** The same object for as long as nothing more has become known. */
  assets: Assets;

  /** `changed` is called when the size of a picture has become known. */
  constructor(element: HTMLElement, pictures: Assets["pictures"], shown: () => Scene, changed: () => void) {
    this.#element = element;
    this.#shown = shown;
    this.#changed = changed;
    this.assets = { pictures, fonts: {} };
    const loaded = ({ target }: Event) => this.#loaded(target as HTMLImageElement);
    // The load of a picture does not bubble, but it can be caught on its way down.
    for (const type of ["load", "error"]) element.addEventListener(type, loaded, true);
    this.#releases = [
      adoptSheet(element, unsizedCss),
      () => {
        for (const type of ["load", "error"]) element.removeEventListener(type, loaded, true);
      },
    ];
  }

  /** Takes note of what somebody knows of pictures. */
  know(pictures: Readonly<Record<string, Picture>>): void {
    this.assets = { ...this.assets, pictures: { ...this.assets.pictures, ...pictures } };
  }

  /** Takes note of the sizes of pictures that are there already. */
  note(): void {
    for (const picture of this.#element.querySelectorAll("img")) if (picture.complete) this.#loaded(picture);
    // A film is as large as its still, of whose loading it tells nothing.
    for (const video of this.#element.querySelectorAll<HTMLVideoElement>("video[poster]:not([width])")) {
      const still = new (viewOf(video).Image)();
      still.addEventListener("load", () => this.#loaded(still, video));
      still.src = video.poster;
    }
  }

  release(): void {
    for (const release of this.#releases) release();
  }

  #loaded(picture: HTMLImageElement, shown: HTMLImageElement | HTMLVideoElement = picture): void {
    const { naturalWidth: width, naturalHeight: height } = picture;
    // The picture of a link is in it.
    const own = shown.closest<HTMLElement>("[data-lumbit-layer]")?.dataset.lumbitLayer;
    const layer = allLayers(this.#shown().layers)
      .filter(isImage)
      .find(({ name }) => name === own);
    if (!layer) return;
    const file = shownPicture(layer, viewOf(shown));
    const { image } = file;
    const known = fileAt(this.assets.pictures, image);
    if (width > 0 && !known?.width && isFileOf(file, picture.currentSrc, shown.baseURI)) {
      this.know({ [image]: { url: known?.url ?? image, width, height } });
      this.#changed();
    }
    if (!shown.hasAttribute("width") && picture.currentSrc !== "") shown.width = width;
    if (!shown.hasAttribute("height") && picture.currentSrc !== "") shown.height = height;
  }
}

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
