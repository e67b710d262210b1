import {
  allLayers,
  type ImageLayer,
  isImage,
  type PageLook,
  type Scene,
  type TextLayer,
} from "../core/index.ts";
import {
  motionConditions,
  type Picture,
  pageRules,
  ruleCss,
  sceneElement,
  sceneKeyframes,
  sceneRules,
  sceneSelector,
} from "../markup/index.ts";
import { emsOf } from "./ems.ts";
import { liveElement, rememberAttributes } from "./live.ts";
import { adoptModel } from "./model-sheet.ts";
import { adoptSheet } from "./sheet.ts";

/** Builds a scene in an element, and gives what styles it again when sizes of its pictures or letters have changed. */
export function build(
  element: HTMLElement,
  scene: Scene,
  look: PageLook,
  undo: (() => void)[],
): { restyle: () => void } {
  const pictures: Record<string, Picture> = {};
  const images = allLayers(scene.layers).filter(isImage);
  const find = (name: string) =>
    element.querySelector<HTMLElement>(`[data-lumbit-layer="${CSS.escape(name)}"]`);
  const assets = { pictures, fonts: {}, ems: (text: TextLayer) => emsOf(find(text.name)) };
  const plain = sceneElement(scene, look, false, assets);
  const styled = () =>
    [
      ...sceneKeyframes(scene),
      ...[...pageRules(look, sceneSelector(scene)), ...sceneRules(scene, look, assets)].map((rule) =>
        rule.motion ? `@media ${motionConditions.media} { ${ruleCss(rule)} }` : ruleCss(rule),
      ),
    ].join("\n");
  undo.push(rememberAttributes(element));
  undo.push(adoptModel(element));
  let current = "";
  let release = () => {};
  undo.push(() => release());
  const children = plain.children.map((child) =>
    typeof child === "string" ? new Text(child) : liveElement(child, element.ownerDocument),
  );
  element.prepend(...children);
  undo.push(() => children.forEach((child) => void child.remove()));
  for (const [name, value] of Object.entries(plain.attributes)) {
    if (value === undefined) continue;
    if (name === "class") element.classList.add(...String(value).split(" "));
    else if (name !== "id" || !element.id) element.setAttribute(name, String(value));
  }
  const restyle = () => {
    for (const layer of images) {
      const loaded = find(layer.name) as HTMLImageElement | null;
      const shown = shownPicture(layer);
      if (loaded && isFileOf(shown, loaded.currentSrc, loaded.baseURI) && loaded.naturalWidth > 0)
        pictures[shown.image] = { url: "", width: loaded.naturalWidth, height: loaded.naturalHeight };
    }
    const style = styled();
    if (style === current) return;
    const before = release;
    release = adoptSheet(element, style);
    current = style;
    before();
  };
  // The load of a picture does not bubble, but it can be caught on its way down.
  element.addEventListener("load", restyle, true);
  undo.push(() => element.removeEventListener("load", restyle, true));
  // The letters of fitted texts have their shape once the first style is there.
  restyle();
  return { restyle };
}

/** The picture of a layer under the rules that hold: the last one that names another decides. */
const shownPicture = ({
  image,
  variants,
  rules = [],
}: ImageLayer): Pick<ImageLayer, "image" | "variants"> => {
  const rule = rules.findLast((rule) => rule.image !== undefined && matchMedia(rule.media).matches);
  return rule?.image === undefined ? { image, variants } : { image: rule.image, variants: rule.variants };
};

/** Whether an address is that of a picture or of one of its variants: a picture that still loads shows the one before. */
const isFileOf = (
  { image, variants = {} }: Pick<ImageLayer, "image" | "variants">,
  url: string,
  base: string,
) => [image, ...Object.values(variants)].some((file) => new URL(file, base).href === url);
