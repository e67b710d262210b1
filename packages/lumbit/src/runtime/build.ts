import { allLayers, isImage, type PageLook, type Scene, statesOf, type TextLayer } from "../core/index.ts";
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
  const files = pictureFiles(scene, element.ownerDocument.baseURI);
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
    for (const image of element.querySelectorAll("img"))
      if (image.naturalWidth > 0)
        pictures[files.get(image.currentSrc) ?? ""] = {
          url: "",
          width: image.naturalWidth,
          height: image.naturalHeight,
        };
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

/** By the address of every file of a scene's pictures the path of the picture that it is one of. */
const pictureFiles = ({ layers }: Scene, base: string): Map<string, string> =>
  new Map(
    allLayers(layers)
      .filter(isImage)
      .flatMap(statesOf)
      .flatMap(({ image, variants = {} }) =>
        [image, ...Object.values(variants)].map((file) => [new URL(file, base).href, image] as const),
      ),
  );

/**
 * How wide a text's widest line is, in font sizes, whatever moves or scales it. Measured at a large size, because
 * browsers may round the letters of small ones to whole pixels.
 */
function emsOf(element: HTMLElement | null): number {
  if (!element?.firstChild) return 1;
  const size = 1000;
  element.style.setProperty("font-size", `${size}px`, "important");
  const range = element.ownerDocument.createRange();
  range.selectNodeContents(element);
  const scale =
    element.getBoundingClientRect().width / Number.parseFloat(getComputedStyle(element).width) || 1;
  const ems = range.getBoundingClientRect().width / scale / size;
  element.style.removeProperty("font-size");
  return Number(ems.toFixed(4)) || 1;
}
