import {
  type Block,
  boxedPieces,
  type Cue,
  elementOf,
  fillsScene,
  hasPane,
  isFitted,
  isGroup,
  isImage,
  isShape,
  isText,
  type Layer,
  overscans,
  type Page,
  type PageLook,
  type Scene,
  splitText,
  type TextPart,
} from "../core/index.ts";
import type { Assets } from "./assets.ts";
import { hasAnyWays } from "./layer.ts";
import { layerPieces } from "./ramp.ts";
import { isReel, slidesAgainst } from "./reel.ts";
import { isHeld, stageLayers } from "./stage.ts";
import { type Element, element } from "./tree.ts";

/**
 * When a picture is loaded: with the page, with it but after all else, or when it comes near the view. What is fixed
 * shows at once when its scene does: a browser sees nothing of it come near.
 */
type Loading = "now" | "soon" | "late";

/** The elements of a scene. Pictures of scenes below the first screen load late. */
export function sceneElement(scene: Scene, look: PageLook, late: boolean, assets: Assets): Element {
  const { fixed, back, front } = stageLayers(scene, look);
  const children = (layers: Layer[], still: boolean) =>
    layers.map((layer) =>
      layerElement(layer, { still, loading: late ? (still ? "soon" : "late") : "now", assets }),
    );
  const stage = (layers: Layer[], still = false) =>
    layers.length > 0
      ? [element("div", { class: still ? "lumbit-fixed" : "lumbit-stage" }, children(layers, still))]
      : [];
  const inside = [
    ...stage(fixed, true),
    ...stage(back),
    ...(scene.content ? [contentElement(scene.content)] : []),
    ...stage(front),
  ];
  return element(
    "section",
    {
      id: scene.name,
      "data-lumbit-scene": scene.name,
      "data-lumbit-driver": "native",
      class: classes(
        "lumbit-scene",
        scene.content && "lumbit-flows",
        scene.width === "column" && "lumbit-column",
        isHeld(scene) && "lumbit-track",
      ),
    },
    isHeld(scene) ? [element("div", { class: "lumbit-held" }, inside)] : inside,
  );
}

/** The picture behind all scenes. */
export function backdropElement(page: Page, assets: Assets): Element | undefined {
  const backdrop = page.page?.backdrop;
  if (!backdrop) return undefined;
  return element("div", { class: "lumbit-backdrop" }, [
    element("img", {
      "data-lumbit-backdrop": "native",
      ...pictureAttributes(backdrop.image, assets),
      alt: backdrop.alt,
    }),
  ]);
}

const contentElement = (content: readonly Block[]) =>
  element(
    "div",
    { class: "lumbit-content" },
    content.map((block, index) => blockElement(block, index)),
  );

function blockElement(block: Block, index: number): Element {
  const attributes = { "data-lumbit-block": index, "data-lumbit-cue": cueText(block.cue) };
  if (block.list)
    return element(
      "ul",
      attributes,
      block.list.map((text) => element("li", {}, [text])),
    );
  if (block.href !== undefined)
    return element("p", attributes, [element("a", { href: block.href }, [block.text])]);
  return element(block.as ?? "p", attributes, [block.text ?? ""]);
}

/** Pieces are plain inline boxes, so that the text stays one to those who listen, search, copy and translate. */
const pieceElement = ({ text, isPiece }: TextPart) =>
  isPiece ? element("span", { class: "lumbit-piece lumbit-ramped" }, [text]) : text;

const cueText = (cue: Cue | undefined) => cue && JSON.stringify(cue);

/** What a layer's element depends on besides the layer. */
interface Drawing {
  /** Nothing of its own moves it: plain CSS holds it, or its group carries it. */
  still: boolean;
  loading: Loading;
  assets: Assets;
  /** Whether it is a slide of a reel, or inside one. */
  slide?: "slide" | "inside";
}

function layerElement(layer: Layer, drawing: Drawing): Element {
  const own = drawnElement(layer, drawing);
  return hasPane(layer)
    ? element(
        "div",
        { "data-lumbit-pane": layer.name, class: "lumbit-pane", "data-lumbit-cue": cueText(layer.cue) },
        [own],
      )
    : own;
}

function drawnElement(layer: Layer, drawing: Drawing): Element {
  const { still, loading, assets, slide } = drawing;
  const attributes = {
    "data-lumbit-layer": layer.name,
    // What a picture in a pane comes in with is its pane.
    "data-lumbit-cue": hasPane(layer) ? undefined : cueText(layer.cue),
    class: classes(
      "lumbit-layer",
      fillsScene(layer) && "lumbit-fill",
      overscans(layer) && "lumbit-reach",
      isGroup(layer) && "lumbit-group",
      isText(layer) && (layer.wrap === false || layer.repeat || isFitted(layer)) && "lumbit-line",
      !still && "lumbit-drifts",
      (hasAnyWays(layer) || (slide === "inside" && slidesAgainst(layer))) && "lumbit-ramped",
      isReel(layer) && "lumbit-reel",
      slide === "slide" && "lumbit-slide",
      isText(layer) && layer.title && "lumbit-title",
      isText(layer) && layerPieces(layer) === "lines" && "lumbit-lines",
    ),
  };
  if (isText(layer)) {
    const copies = Array.from({ length: (layer.repeat ?? 1) - 1 }, () =>
      element("span", { "aria-hidden": "true" }, [` ${layer.text}`]),
    );
    const pieces = layerPieces(layer);
    const text = pieces ? splitText(layer.text, boxedPieces(pieces)).map(pieceElement) : [layer.text];
    return element(elementOf(layer), attributes, [...text, ...copies]);
  }
  if (isShape(layer)) return element("div", attributes);
  if (isReel(layer))
    // Where it is swiped it can be scrolled by the keyboard.
    return element(
      "div",
      { ...attributes, tabindex: 0, role: "group", "data-lumbit-share": layer.reel?.share },
      [
        element(
          "div",
          { class: "lumbit-row lumbit-ramped" },
          layer.layers.map((child, index) =>
            layerElement(child as Layer, {
              ...drawing,
              still: true,
              loading: index > 0 && loading === "now" ? "late" : loading,
              slide: "slide",
            }),
          ),
        ),
      ],
    );
  if (isGroup(layer))
    return element(
      "div",
      attributes,
      layer.layers.map((child) =>
        layerElement(child as Layer, { ...drawing, still: true, slide: slide && "inside" }),
      ),
    );
  if (!isImage(layer)) return element("div", attributes);
  const variants = Object.entries(layer.variants ?? {}).map(
    ([density, path]) => `${assets.pictures[path]?.url ?? path} ${density}x`,
  );
  const picture = pictureAttributes(layer.image, assets);
  return element("img", {
    ...attributes,
    ...picture,
    srcset: variants.length > 0 ? [`${picture.src} 1x`, ...variants].join(", ") : undefined,
    alt: layer.alt,
    loading: loading === "late" ? "lazy" : undefined,
    fetchpriority: loading === "soon" ? "low" : undefined,
    // Chromium may leave out what is decoded late in a slide that has come by a jump.
    decoding: loading === "now" || slide ? undefined : "async",
  });
}

function pictureAttributes(path: string, assets: Assets) {
  const picture = assets.pictures[path];
  return { src: picture?.url ?? path, width: picture?.width, height: picture?.height };
}

const classes = (...names: (string | number | false | undefined)[]) =>
  names.filter(Boolean).join(" ") || undefined;
