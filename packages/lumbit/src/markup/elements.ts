import {
  type AnyLayer,
  type Block,
  boxedPieces,
  elementOf,
  fillsScene,
  goesRight,
  hasGround,
  isFitContent,
  isGroup,
  isImage,
  isMarkup,
  isReel,
  isRow,
  isShape,
  isText,
  overscans,
  type Page,
  type PageLook,
  type Pieces,
  plainText,
  type Run,
  runsOf,
  runsWithin,
  type Scene,
  statesOf,
  textParts,
} from "../core/index.ts";
import { type Assets, fileAt, type PictureSource } from "./assets.ts";
import {
  divOrLink,
  linkElement,
  marks,
  named,
  pictureAttributes,
  sceneBox,
  stageBoxes,
} from "./element-parts.ts";
import { mostRepeats } from "./line.ts";
import { hasAnyWays } from "./motion.ts";
import { follows } from "./own-settle.ts";
import { isBoxed } from "./pane.ts";
import { layerPieces } from "./ramp.ts";
import { slidesAgainst } from "./reel.ts";
import { isFront, isHeld, stageLayers } from "./stage.ts";
import { type Element, element } from "./tree.ts";

/**
 * When a picture is loaded: with the page, with it but after all else, or when it comes near the view. What is fixed
 * shows at once when its scene does: a browser sees nothing of it come near.
 */
type Loading = "now" | "soon" | "late";

/** The elements of a scene. Pictures of scenes below the first screen load late. */
export function sceneElement(scene: Scene, look: PageLook, late: boolean, assets: Assets): Element {
  const { fixed, back, front } = stageLayers(scene, look);
  const stage = (layers: readonly AnyLayer[], still = false) =>
    stageBoxes(
      layers.map((layer) => layerElement(layer, still, late, assets, headingOf(scene))),
      still,
    );
  const inside = [
    ...stage(fixed, true),
    ...stage(back),
    ...(scene.content ? [contentElement(scene.content, scene.name)] : []),
    ...stage(front),
  ];
  const crossed = crossesContent(scene) && "crossed";
  return sceneBox(
    scene,
    marks("scene", scene.content && "flows", isHeld(scene) ? "track" : crossed),
    isHeld(scene) ? [element("div", { "data-lumbit-is": marks("held", crossed) }, inside)] : inside,
  );
}

/** Whether a rule carries a layer of a scene from one side of its content to the other. */
const crossesContent = ({ content, layers }: Scene): boolean =>
  content !== undefined && layers.some((layer) => new Set(statesOf(layer).map(isFront)).size > 1);

/** The element of a layer in a scene, its pane around it where it has one; `still` where plain CSS fixes it. */
export const layerElement = (
  layer: AnyLayer,
  still: boolean,
  late: boolean,
  assets: Assets,
  heading?: string,
): Element =>
  panedElement(layer, { still, loading: late ? (still ? "soon" : "late") : "now", assets, heading });

/** What a scene is about, for those who listen. */
const headingOf = ({ layers, content = [] }: Scene): string | undefined =>
  plainText([...layers.filter(isText), ...content].find(({ as = "" }) => /^h\d$/.test(as))?.text ?? "") ||
  undefined;

/** The picture behind all scenes. */
export function backdropElement(page: Page, assets: Assets): Element | undefined {
  const backdrop = page.page?.backdrop;
  if (!backdrop) return undefined;
  const attributes = { "data-lumbit-backdrop": "native" };
  if (backdrop.video !== undefined)
    return element("div", { "data-lumbit-is": "backdrop" }, [
      videoElement({ ...backdrop, video: backdrop.video }, attributes, assets),
    ]);
  const image = element("img", {
    ...attributes,
    ...pictureAttributes(backdrop.image, assets),
    alt: backdrop.alt,
  });
  const sources = kindsOf(backdrop.image, assets, { sizes: assets.drawn?.backdrop?.sizes });
  return element("div", { "data-lumbit-is": "backdrop" }, [chosen(sources, image)]);
}

const contentElement = (content: readonly Block[], scene: string) =>
  element(
    "div",
    { "data-lumbit-is": "content" },
    content.map((block, index) => blockElement(block, index, scene)),
  );

function blockElement(block: Block, index: number, scene: string): Element {
  const id = block.name === undefined ? undefined : `${scene}/${block.name}`;
  const attributes = { id, "data-lumbit-block": index, "data-lumbit-cue": cueText(block) };
  if (block.list)
    return element(
      "ul",
      attributes,
      block.list.map((text) => element("li", {}, wordElements(runsOf(text)))),
    );
  if (block.href !== undefined)
    return element("p", attributes, [linkElement(block.href, {}, wordElements(runsOf(block.text)))]);
  return element(elementOf(block), attributes, wordElements(runsOf(block.text ?? "")));
}

/** The runs of a text, strong and emphasized as they are; what leads to one address is one link. */
function wordElements(runs: readonly Run[]): (Element | string)[] {
  const words: (Element | string)[] = [];
  for (let at = 0; at < runs.length; ) {
    const { href } = runs[at] as Run;
    const end = runs.findIndex((run, index) => index > at && run.href !== href);
    const alike = runs.slice(at, end < 0 ? runs.length : end);
    const inside = alike.map(({ text, strong, emphasized }) => {
      const own = emphasized ? element("em", {}, [text]) : text;
      return strong ? element("strong", {}, [own]) : own;
    });
    words.push(...(href === undefined ? inside : [linkElement(href, {}, inside)]));
    at += alike.length;
  }
  return words;
}

/** Pieces are plain inline boxes, so that the text stays one to those who listen, search, copy and translate. */
function pieceElements(source: string, pieces: Pieces): (Element | string)[] {
  const runs = runsOf(source);
  let from = 0;
  return textParts(plainText(source), pieces).map(({ text, isPiece }) => {
    const inside = wordElements(runsWithin(runs, from, from + text.length));
    from += text.length;
    return isPiece ? element("span", { "data-lumbit-is": "piece ramped" }, inside) : text;
  });
}

/** A cue; a list where rules change it, of which the last one whose media query holds is played. */
function cueText({
  cue,
  rules = [],
}: Pick<AnyLayer, "cue"> & { rules?: AnyLayer["rules"] }): string | undefined {
  const changed = rules.flatMap(({ media, cue }) =>
    cue === undefined ? [] : [{ media, ...(cue === "none" ? { from: {} } : cue) }],
  );
  if (changed.length > 0) return JSON.stringify([...(cue ? [cue] : []), ...changed]);
  return cue && JSON.stringify(cue);
}

/** What a layer's element depends on besides the layer. */
interface Drawing {
  /** Nothing of its own moves it: plain CSS holds it, or its group carries it. */
  still: boolean;
  loading: Loading;
  assets: Assets;
  /** What its scene is about. */
  heading?: string | undefined;
  /** Whether it is a slide of a reel, or inside one. */
  slide?: "slide" | "inside";
  /** Whether its group is as large as what is in it, which a picture without a place is stretched over. */
  fit?: boolean;
}

function panedElement(layer: AnyLayer, drawing: Drawing): Element {
  const own = drawnElement(layer, drawing);
  return isBoxed(layer)
    ? element(
        "div",
        { "data-lumbit-pane": layer.name, "data-lumbit-is": "pane", "data-lumbit-cue": cueText(layer) },
        [own],
      )
    : own;
}

function drawnElement(layer: AnyLayer, drawing: Drawing): Element {
  const { still, loading, assets, slide } = drawing;
  const isFit = slide !== "slide" && isFitContent(layer);
  const attributes = {
    "data-lumbit-layer": layer.name,
    // What a picture in a pane comes in with is its pane.
    "data-lumbit-cue": isBoxed(layer) ? undefined : cueText(layer),
    "data-lumbit-is": marks(
      "layer",
      fillsScene(layer) && !isBoxed(layer) && "fill",
      statesOf(layer).some(overscans) && (isBoxed(layer) || !drawing.fit) && "reach",
      isGroup(layer) && "group",
      (isFit || isRow(layer)) && "arranged",
      isFit && "fit",
      !still && hasGround(layer) && "ground",
      !still && "drifts",
      layer.settle !== undefined && "settles",
      follows(layer) && "follows",
      (hasAnyWays(layer) || (slide === "inside" && slidesAgainst(layer))) && "ramped",
      isReel(layer) && "reel",
      isReel(layer) && goesRight(layer.reel) && "backwards",
      isReel(layer) && layer.reel.narrow === "travel" && "travels",
      slide === "slide" && "slide",
      isText(layer) && layer.title && "title",
      isText(layer) && layerPieces(layer) === "lines" && "lines",
    ),
  };
  if (isText(layer)) {
    const copies = Array.from({ length: mostRepeats(layer) - 1 }, () =>
      element("span", { "aria-hidden": "true" }, [" ", ...wordElements(runsOf(layer.text))]),
    );
    const pieces = layerPieces(layer);
    const text = pieces ? pieceElements(layer.text, boxedPieces(pieces)) : wordElements(runsOf(layer.text));
    const words = layer.href === undefined ? text : [linkElement(layer.href, {}, text)];
    return element(elementOf(layer), attributes, [...words, ...copies]);
  }
  if (isShape(layer)) return divOrLink(layer, named(attributes, layer, "img"), []);
  if (isMarkup(layer))
    return {
      ...divOrLink(layer, named(attributes, layer, "group"), []),
      html: fileAt(assets.markup ?? {}, layer.markup) ?? "",
    };
  if (isReel(layer))
    return divOrLink(
      layer,
      {
        ...attributes,
        // Where it is swiped it can be scrolled by the keyboard; elsewhere the script of reels takes it away.
        ...(layer.href === undefined && {
          tabindex: 0,
          role: "group",
          "aria-label": drawing.heading ?? layer.name.replaceAll(/[-_]+/g, " "),
        }),
        "data-lumbit-share": layer.reel?.share,
      },
      [
        element(
          "div",
          { "data-lumbit-is": "row ramped" },
          layer.layers.map((child, index) =>
            panedElement(child, {
              ...drawing,
              still: true,
              loading: index > 0 && loading === "now" ? "late" : loading,
              slide: "slide",
            }),
          ),
        ),
      ],
    );
  if (isGroup(layer)) {
    const inside = layer.layers.map((child) =>
      panedElement(child, {
        ...drawing,
        ...{ still: true, slide: slide && "inside", fit: isFit },
      }),
    );
    return divOrLink(layer, attributes, inside);
  }
  if (!isImage(layer)) return element("div", attributes);
  if (layer.video !== undefined) {
    const own = layer.href === undefined ? attributes : {};
    const video = videoElement({ ...layer, video: layer.video }, own, assets);
    return layer.href === undefined ? video : linkElement(layer.href, attributes, [video]);
  }
  const image = element("img", {
    ...(layer.href === undefined && attributes),
    ...pictureAttributes(layer.image, assets),
    srcset: layer.variants && sourceSet(layer.image, layer.variants, assets),
    alt: layer.alt,
    loading: loading === "late" ? "lazy" : undefined,
    fetchpriority: loading === "soon" ? "low" : loading === "now" && assets.drawn ? "high" : undefined,
    // Chromium may leave out what is decoded late in a slide that has come by a jump.
    decoding: loading === "now" || slide ? undefined : "async",
  });
  const sizes = assets.drawn?.sizes(layer);
  const kinds = (image: string, variants: object | undefined, media?: string) =>
    variants ? [] : kindsOf(image, assets, { media, sizes });
  // The first source whose media query holds is shown; of rules it is the last.
  const ruled = (layer.rules ?? []).toReversed().flatMap(({ media, image, variants }) => {
    if (image === undefined) return [];
    const { width, height } = fileAt(assets.pictures, image) ?? {};
    const own = element("source", { media, srcset: sourceSet(image, variants ?? {}, assets), width, height });
    return [...kinds(image, variants, media), own];
  });
  const picture = chosen([...ruled, ...kinds(layer.image, layer.variants)], image);
  return layer.href === undefined ? picture : linkElement(layer.href, attributes, [picture]);
}

/** A film, which shows its still until a script plays it where it is in view: nothing of it is loaded before. */
function videoElement(
  { image, alt, video }: { image: string; alt: string; video: string },
  attributes: Element["attributes"],
  assets: Assets,
): Element {
  const { src: poster, ...size } = pictureAttributes(image, assets);
  return element("video", {
    ...attributes,
    "data-lumbit-video": "",
    ...{ src: fileAt(assets.pictures, video)?.url ?? video, poster, ...size },
    ...{ muted: "", loop: "", playsinline: "", preload: "none", disablepictureinpicture: "" },
    ...(alt === "" ? { "aria-hidden": "true" } : { "aria-label": alt }),
  });
}

/** A picture that a browser chooses among sources. */
const chosen = (sources: readonly Element[], image: Element): Element =>
  sources.length > 0 ? element("picture", {}, [...sources, image]) : image;

/** A picture in other kinds and widths, for browsers to choose from. */
function kindsOf(
  path: string,
  assets: Assets,
  own: { media?: string | undefined; sizes: string | undefined },
) {
  const { sources = [], width, height } = fileAt(assets.pictures, path) ?? {};
  return sources.map(({ type, files }) => {
    const srcset = sourceSetOf(files);
    return element("source", { media: own.media, type, srcset, sizes: own.sizes, width, height });
  });
}

/** Files by their widths, for a browser to choose from. */
export const sourceSetOf = (files: PictureSource["files"]): string =>
  files.map(({ url, width }) => `${url} ${width}w`).join(", ");

function sourceSet(image: string, variants: Readonly<Record<string, string>>, assets: Assets): string {
  const url = (path: string) => (fileAt(assets.pictures, path)?.url ?? path).replaceAll(" ", "%20");
  const sources = Object.entries(variants).map(([density, path]) => `${url(path)} ${density}x`);
  return [`${url(image)} 1x`, ...sources].join(", ");
}
