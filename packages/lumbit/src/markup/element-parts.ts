import type { MarkupLayer, Scene, ShapeLayer } from "../core/index.ts";
import { isSafeLink } from "../settings/index.ts";
import { type Assets, fileAt } from "./assets.ts";
import { type Element, element } from "./tree.ts";

/** What an element is to the library: those of these that hold. */
export const marks = (...names: (string | number | false | undefined)[]): string | undefined =>
  names.filter(Boolean).join(" ") || undefined;

/** The box of a scene: what it is, and what is in it. */
export const sceneBox = (scene: Scene, is: string | undefined, inside: Element["children"]): Element =>
  element(
    scene.as ?? "section",
    {
      id: scene.name,
      "data-lumbit-scene": scene.name,
      "data-lumbit-driver": "native",
      "data-lumbit-is": is,
    },
    inside,
  );

/** What layers stand in, where there are any; `still` where plain CSS fixes them. */
export const stageBoxes = (layers: readonly Element[], still = false): Element[] =>
  layers.length > 0 ? [element("div", { "data-lumbit-is": still ? "fixed" : "stage" }, layers)] : [];

export const linkElement = (
  href: string,
  attributes: Element["attributes"],
  inside: Element["children"],
): Element => element("a", { ...attributes, href: isSafeLink(href) ? href : undefined }, inside);

/** The element of a layer that is no text and no picture: a link, where it is one. */
export const divOrLink = (
  { href }: { href?: string },
  attributes: Element["attributes"],
  inside: Element["children"],
): Element =>
  href === undefined ? element("div", attributes, inside) : linkElement(href, attributes, inside);

/** What a layer without words is called for those who listen; a link needs no other role. */
export const named = (
  attributes: Element["attributes"],
  { alt, href }: ShapeLayer | MarkupLayer,
  role: string,
): Element["attributes"] =>
  alt ? { ...attributes, "aria-label": alt, ...(href === undefined && { role }) } : attributes;

/** Where a picture's file is, and how large. */
export function pictureAttributes(path: string, assets: Assets): Element["attributes"] {
  const picture = fileAt(assets.pictures, path);
  return { src: picture?.url ?? path, width: picture?.width, height: picture?.height };
}
