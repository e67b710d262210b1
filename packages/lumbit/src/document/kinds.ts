import { type Kind, layerSettings, type Settings } from "../settings/index.ts";

/** The keys that say what a layer is. */
const kindKeys = { image: "image", text: "text", shape: "shape", markup: "markup", layers: "group" } as const;

/** The kind of a layer as it stands in a page file: the first that it says. */
export const kindOf = (layer: object): Exclude<Kind, "slide"> | undefined =>
  Object.entries(kindKeys).find(([key]) => key in layer)?.[1];

/** The keys with which a layer says its kind. */
export const givenKinds = (layer: object): string[] => Object.keys(kindKeys).filter((key) => key in layer);

/** How messages call one of a kind, and several. */
export const oneName: Record<Kind, string> = {
  image: "picture",
  text: "text",
  shape: "shape",
  markup: "piece of markup",
  group: "group",
  slide: "slide",
};
export const manyNames: Record<Kind, string> = {
  image: "pictures",
  text: "texts",
  shape: "shapes",
  markup: "pieces of markup",
  group: "groups",
  slide: "slides",
};

/** The kinds that have a setting of layers; `undefined` where all have it. */
export const kindsWith = (key: string): readonly Kind[] | undefined =>
  Object.hasOwn(layerSettings, key) ? (layerSettings as Settings)[key]?.kinds : undefined;
