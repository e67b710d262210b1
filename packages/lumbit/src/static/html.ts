import type { ElementContent, Root } from "hast";
import { toHtml } from "hast-util-to-html";
import { h } from "hastscript";
import { allLayers, directionalityOf, hrefsOf, isImage, type Page } from "../core/index.ts";
import {
  type Assets,
  backdropElement,
  type Element,
  element,
  fileAt,
  headerElement,
  sceneElement,
  sourceSetOf,
  targetElements,
} from "../markup/index.ts";

/** Where the page finds its style sheet, and the pictures and fonts it names. */
export interface HtmlOptions {
  assets: Assets;
  stylesheet: string;
  /** What gives browsers without scroll-driven animations the scripted driver, what plays cues; none by default. */
  scripts?: readonly string[];
  /** Links of other pages to this one, such as "#low-water/title": what they lead to is made a target as well. */
  links?: readonly string[];
}

/** The page as an HTML document: real text in reading order, no script, no inline style. */
export function pageHtml(page: Page, { assets, stylesheet, scripts = [], links = [] }: HtmlOptions): string {
  const backdrop = backdropElement(page, assets);
  const hrefs = [...hrefsOf(page), ...links];
  const scenes = page.scenes.map((scene, index) => {
    const own = sceneElement(scene, page.page ?? {}, index > 0, assets);
    return { ...own, children: [...own.children, ...targetElements(scene, hrefs)] };
  });
  const rightToLeft = directionalityOf(page.lang) === "rtl";
  const tree = element("html", { lang: page.lang, dir: rightToLeft ? "rtl" : undefined }, [
    element("head", {}, [
      element("meta", { charset: "utf-8" }),
      element("meta", { name: "viewport", content: "width=device-width, initial-scale=1" }),
      element("title", {}, [page.title]),
      ...headElements(page, assets),
      element("link", { rel: "stylesheet", href: stylesheet }),
      ...preloads(page, assets),
      // Browsers run no modules of pages that are opened from a disk.
      ...scripts.map((src) => element("script", { defer: "", src })),
    ]),
    element("body", {}, bodyElements(page, scenes, backdrop)),
  ]);
  const root: Root = {
    type: "root",
    children: [{ type: "doctype" }, { type: "text", value: "\n" }, hast(tree)],
  };
  return `${toHtml(root, given)}\n`;
}

/** What a page shows: a header and a footer are none of its main part. */
function bodyElements({ page, scenes }: Page, elements: Element[], backdrop?: Element): Element[] {
  const behind = backdrop ? [backdrop] : [];
  const header = headerElement(page ?? {});
  const footers = elements.filter((_, index) => scenes[index]?.as === "footer");
  const own = elements.filter((own) => !footers.includes(own));
  const main = (children: Element[]) => element("main", {}, children);
  const body =
    !backdrop || footers.length === 0
      ? [main([...behind, ...own]), ...footers]
      : [element("div", { "data-lumbit-is": "page" }, [...behind, main(own), ...footers])];
  return header ? [header, ...body] : body;
}

/** An element as HTML. */
export const htmlOf = (tree: Element): string => `${toHtml(hast(tree), given)}\n`;

/** Has a browser load the pictures of the first screen at once, those that it will choose. */
function preloads({ page, scenes: [first] }: Page, { pictures, drawn }: Assets): Element[] {
  if (!drawn || !first) return [];
  const { backdrop } = page ?? {};
  const chosen = [
    ...(backdrop ? [{ image: backdrop.image, sizes: drawn.backdrop?.sizes }] : []),
    ...allLayers(first.layers)
      // Which one a rule shows is known when its media query is asked.
      .filter((layer) => isImage(layer) && !layer.rules?.some(({ image, hidden }) => image ?? hidden))
      .flatMap((layer) =>
        isImage(layer) && !layer.hidden ? [{ image: layer.image, sizes: drawn.sizes(layer) }] : [],
      ),
  ];
  const links = chosen.flatMap(({ image, sizes }) => {
    const [source] = fileAt(pictures, image)?.sources ?? [];
    if (!source) return [];
    const imagesrcset = sourceSetOf(source.files);
    // Without an address of its own: who knows no source sets would load what it does not show.
    return [
      element("link", {
        ...{ rel: "preload", as: "image", type: source.type },
        ...{ imagesrcset, imagesizes: sizes, fetchpriority: "high" },
      }),
    ];
  });
  return links.filter(
    ({ attributes }, index) =>
      links.findIndex((other) => other.attributes.imagesrcset === attributes.imagesrcset) === index,
  );
}

/** What a page says of itself. */
function headElements({ title, head = {} }: Page, { pictures }: Assets): Element[] {
  const { description, icon, image, address, themeColor, meta = {} } = head;
  const urlOf = (path: string) => fileAt(pictures, path)?.url ?? path;
  const shared = (path: string) => (address ? new URL(urlOf(path), address).href : urlOf(path));
  const said = (property: string, content: string | undefined) =>
    content === undefined ? [] : [element("meta", { property, content })];
  const named = (name: string, content: string | undefined) =>
    content === undefined ? [] : [element("meta", { name, content })];
  const isShared = description !== undefined || image !== undefined || address !== undefined;
  return [
    ...named("description", description),
    ...named("theme-color", themeColor),
    ...(icon === undefined ? [] : [element("link", { rel: "icon", href: urlOf(icon) })]),
    ...(address === undefined ? [] : [element("link", { rel: "canonical", href: address })]),
    ...said("og:title", isShared ? title : undefined),
    ...said("og:description", description),
    ...said("og:image", image === undefined ? undefined : shared(image)),
    ...said("og:url", address),
    ...Object.entries(meta).flatMap(([name, content]) =>
      name.includes(":") ? said(name, content) : named(name, content),
    ),
  ];
}

/** HTML that was given stands in the page as it is. */
const given = { allowDangerousHtml: true };

/** Elements whose children stand on lines of their own: white space between them means nothing. */
const blocks = new Set(["html", "head", "body", "main", "section", "header", "nav", "footer", "div", "ul"]);

function hast({ tag, attributes, children, html }: Element): ReturnType<typeof h> {
  const content = children.flatMap((child): ElementContent[] => {
    const node: ElementContent = typeof child === "string" ? { type: "text", value: child } : hast(child);
    return blocks.has(tag) ? [{ type: "text", value: "\n" }, node] : [node];
  });
  if (html !== undefined)
    return h(tag, attributes, [{ type: "raw", value: html } as unknown as ElementContent]);
  const end: ElementContent[] = blocks.has(tag) && children.length > 0 ? [{ type: "text", value: "\n" }] : [];
  return h(tag, attributes, [...content, ...end]);
}
