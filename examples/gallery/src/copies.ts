import type { Assets } from "lumbit";
import type { AnyLayer, Page, Scene } from "lumbit/core";
import { sceneCss, sceneHtml } from "lumbit/static";
import type { PageFile } from "./recipes.ts";

/** The files of a page where its own folder has them. */
const beside = ({ pictures, fonts }: Assets): Assets => ({
  pictures: Object.fromEntries(
    Object.entries(pictures).map(([path, { width, height }]) => [path, { url: path, width, height }]),
  ),
  fonts: Object.fromEntries(Object.keys(fonts).map((path) => [path, path])),
});

/** The scene that a recipe is about: the first with layers. */
const sceneOf = ({ scenes }: Page): Scene =>
  scenes.find(({ layers }) => layers.length > 0) ?? (scenes[0] as Scene);

/** A page file. */
export const pageText = (file: PageFile): string => JSON.stringify(file, null, 2);

/** The scene of a recipe for another page, with its style in it; its pictures and fonts lie beside that page. */
export function fragmentText(page: Page, assets: Assets): string {
  const { name } = sceneOf(page);
  const own = beside(assets);
  const html = sceneHtml(page, name, { assets: own, stylesheet: "" });
  return `<style>\n${sceneCss(page, name, own)}\n</style>\n${html.replace(/<link[^>]*>\s*/, "")}`;
}

/** The scene of a recipe as an ordinary section with attributes, its parts placed by the page's own style; nothing of reels. */
export function attributesText(page: Page): string | undefined {
  const scene = sceneOf(page);
  if (scene.layers.some(({ reel }) => reel)) return undefined;
  const own = attributesOf({ scene: "", settle: scene.settle, hold: scene.hold, relief: scene.relief });
  return `<section${own} style="height: ${scene.height ?? "100vh"}">\n${scene.layers.map((layer) => elementOf(layer, "  ")).join("\n")}\n</section>\n`;
}

/** Settings that are attributes of the same name. */
const same = [
  "depth",
  "speed",
  "direction",
  "sideways",
  "settle",
  "ramps",
  "hold",
  "tilt",
  "opacity",
  "rotate",
  "blur",
  "blend",
] as const;

function elementOf(layer: AnyLayer, indent: string): string {
  const { travel } = layer;
  const attributes = attributesOf({
    ...Object.fromEntries(same.map((key) => [key, layer[key]])),
    "travel-x": travel?.x?.join(" "),
    "travel-y": travel?.y?.join(" "),
    "travel-over": travel?.over?.join(" "),
    pane: layer.image !== undefined && (layer.pane || !layer.place) ? "" : undefined,
    subject: layer.subject?.join(" "),
  });
  const named = `class="${layer.name}"${attributes}`;
  if (layer.image !== undefined)
    return `${indent}<img ${named} src="${escaped(layer.image)}" alt="${escaped(layer.alt)}">`;
  if (layer.text !== undefined)
    return `${indent}<${layer.as ?? "p"} ${named}>${escaped(layer.text).replaceAll("\n", "<br>")}</${layer.as ?? "p"}>`;
  const inside = (layer.layers ?? []).map((inner) => `\n${elementOf(inner, `${indent}  `)}`).join("");
  return `${indent}<div ${named}>${inside}${inside && `\n${indent}`}</div>`;
}

const attributesOf = (settings: Readonly<Record<string, unknown>>): string =>
  Object.entries(settings)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => {
      const text = typeof value === "object" ? JSON.stringify(value) : String(value);
      return text === "" ? ` data-lumbit-${name}` : ` data-lumbit-${name}="${escaped(text)}"`;
    })
    .join("");

const escaped = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll('"', "&quot;").replaceAll("<", "&lt;");
