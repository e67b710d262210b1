import {
  type AnyLayer,
  elementOf,
  fillsScene,
  fittedWidth,
  isImage,
  isMarkedUp,
  isShape,
  isText,
  type Length,
  leastHeight,
  orderOf,
  type PageLook,
  type Scene,
  speedOf,
  sumLengths,
} from "../core/index.ts";
import { type Assets, fileAt } from "./assets.ts";
import { motionCss } from "./directed.ts";
import {
  divOrLink,
  linkElement,
  marks,
  named,
  pictureAttributes,
  sceneBox,
  stageBoxes,
} from "./element-parts.ts";
import { blendCss, changedLook, lookCss } from "./look.ts";
import { paddingCss } from "./padding.ts";
import { paintCss, radiusOf } from "./paint.ts";
import { boxPlace, textPlace } from "./place.ts";
import { quoted } from "./safe.ts";
import { pageCss, passageCss, sceneLook, sceneSelector } from "./scene-look.ts";
import { stageLayers } from "./stage.ts";
import { textCss } from "./text.ts";
import { type Element, element, type StyleRule } from "./tree.ts";

/*
 * Scenes of pictures, shapes and texts at their depths, and nothing else: their elements and style as `sceneElement` and
 * `sceneRules` make them, in a fraction of the code.
 */

/** The settings that such scenes have, their layers, and their page. */
const plain = {
  page: keys("background color fontFamily relief haze focus column margin gap"),
  scene: keys("name as height minHeight settle relief paddingTop paddingBottom background color layers"),
  layer: keys(
    "name depth speed order direction sideways place opacity blur rotate blend shadow radius href image alt fit subject shape background text as title maxWidth padding fontSize color fontFamily fontWeight fontStyle lineHeight letterSpacing textAlign outline",
  ),
};

function keys(list: string): ReadonlySet<string> {
  return new Set(list.split(" "));
}

const has = (settings: object, allowed: ReadonlySet<string>) =>
  Object.entries(settings).every(([key, value]) => value === undefined || allowed.has(key));

/** Whether a scene has nothing but that. */
export const isPlain = (scene: Scene, look: PageLook, assets: Assets): boolean =>
  has(scene, plain.scene) &&
  has(look, plain.page) &&
  scene.layers.every(
    (layer) =>
      has(layer, plain.layer) &&
      !(isText(layer) && (isMarkedUp(layer.text) || fittedWidth(layer))) &&
      !(isImage(layer) && fileAt(assets.pictures, layer.image)?.sources),
  );

/** A scene without its layers, as plain as that, and as high as it is at least: what stands of it until more can be built. */
export const plainFrame = (scene: Scene): Scene => ({
  ...Object.fromEntries(Object.entries(scene).filter(([key]) => plain.scene.has(key))),
  name: scene.name,
  minHeight: undefined,
  height: sumLengths([leastHeight(scene), scene.hold ?? 0]) as Length,
  layers: [],
});

/** The elements of such a scene. */
export function plainElement(scene: Scene, look: PageLook, assets: Assets): Element {
  const { fixed, back } = stageLayers(scene, look);
  const stage = (layers: readonly AnyLayer[], still = false) =>
    stageBoxes(
      layers.map((layer) => layerElement(layer, still, assets)),
      still,
    );
  return sceneBox(scene, "scene", [...stage(fixed, true), ...stage(back)]);
}

function layerElement(layer: AnyLayer, still: boolean, assets: Assets): Element {
  const attributes = {
    "data-lumbit-layer": layer.name,
    "data-lumbit-is": marks(
      "layer",
      fillsScene(layer) && "fill reach",
      !still && "drifts",
      isText(layer) && layer.title && "title",
    ),
  };
  if (isText(layer))
    return element(
      elementOf(layer),
      attributes,
      layer.href === undefined ? [layer.text] : [linkElement(layer.href, {}, [layer.text])],
    );
  if (isShape(layer)) return divOrLink(layer, named(attributes, layer, "img"), []);
  if (!isImage(layer)) return element("div", attributes);
  const image = element("img", {
    ...(layer.href === undefined && attributes),
    ...pictureAttributes(layer.image, assets),
    alt: layer.alt,
  });
  return layer.href === undefined ? image : linkElement(layer.href, attributes, [image]);
}

/** The style of such a scene. */
export function plainRules(scene: Scene, look: PageLook, assets: Assets): StyleRule[] {
  const selector = sceneSelector(scene);
  const fileOf = (image: string) => fileAt(assets.pictures, image);
  return [
    { selector, declarations: pageCss(look) },
    {
      selector,
      declarations: {
        "--lumbit-relief": scene.relief,
        ...passageCss(scene, scene),
        ...sceneLook(scene, scene),
      },
    },
    ...scene.layers.map((layer) => ({
      selector: `${selector} [data-lumbit-layer=${quoted(layer.name)}]`,
      declarations: {
        "z-index": orderOf(layer),
        ...motionCss(layer, speedOf(layer)),
        ...changedLook(lookCss(layer, look), lookCss({}), false),
        ...blendCss(layer),
        ...paintCss(layer, layer, { fileOf }),
        ...(isText(layer)
          ? { ...textCss(layer), ...textPlace(layer), ...paddingCss(layer.padding) }
          : !fillsScene(layer) && boxPlace(layer, layer, { fileOf })),
        "border-radius": radiusOf(layer),
      },
    })),
  ];
}
