import type { Element } from "hast";
import { toHtml } from "hast-util-to-html";
import { h } from "hastscript";
import { driftOf, elementOf, fillsScene, isImage, type Layer, type Page, type Scene } from "../core/index.ts";
import type { Assets } from "./assets.ts";
import { type StagedLayer, stageScene } from "./stage.ts";

/** Where the page finds its style sheet, and the pictures and fonts it names. */
export interface HtmlOptions {
  assets: Assets;
  stylesheet: string;
}

/** The page as an HTML document: real text in reading order, no script, no inline style. */
export function pageHtml(page: Page, { assets, stylesheet }: HtmlOptions): string {
  const document = h(null, [
    { type: "doctype" },
    h("html", { lang: page.lang }, [
      "\n",
      h("head", [
        ...lines(
          h("meta", { charSet: "utf-8" }),
          h("meta", { name: "viewport", content: "width=device-width, initial-scale=1" }),
          h("title", page.title),
          h("link", { rel: "stylesheet", href: stylesheet }),
        ),
      ]),
      "\n",
      h(
        "body",
        lines(h("main", lines(...page.scenes.map((scene, index) => sceneElement(scene, index, assets))))),
      ),
      "\n",
    ]),
  ]);
  return `${toHtml(document)}\n`;
}

function sceneElement(scene: Scene, index: number, assets: Assets): Element {
  const { fixed, moving } = stageScene(scene);
  const elements = (layers: StagedLayer[], moves: boolean) =>
    lines(...layers.map(({ layer }) => layerElement(layer, moves, index > 0, assets)));
  const stage = h("div", { className: "lumbit-stage" }, elements(moving, true));
  const backdrop = h("div", { className: "lumbit-fixed" }, elements(fixed, false));
  return h(
    "section",
    { id: scene.name, dataLumbitScene: scene.name },
    lines(...(fixed.length > 0 ? [backdrop] : []), stage),
  );
}

function layerElement(layer: Layer, moves: boolean, belowFirstScreen: boolean, assets: Assets): Element {
  const className = [
    ...(fillsScene(layer) ? ["lumbit-fill"] : []),
    ...(moves && driftOf(layer) !== 0 ? ["lumbit-drifts"] : []),
  ];
  const common = { dataLumbitLayer: layer.name, className: className.length > 0 ? className : undefined };
  if (!isImage(layer)) return h(elementOf(layer), common, layer.text);
  const picture = assets.pictures[layer.image];
  const late = belowFirstScreen ? ({ loading: "lazy", decoding: "async" } as const) : {};
  const { url: src, width, height } = picture ?? { url: layer.image };
  return h("img", { ...common, src, alt: layer.alt, width, height, ...late });
}

const lines = (...elements: Element[]) => elements.flatMap((element) => ["\n", element]).concat("\n");
