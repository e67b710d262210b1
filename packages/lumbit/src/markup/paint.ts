import { type AnyLayer, isImage, isShape } from "../core/index.ts";
import type { Given, LayerContext } from "./context.ts";
import { lengthCss } from "./lengths.ts";
import { type Declarations, round } from "./tree.ts";

/** What is painted of a layer, for those settings of it that are given; `layer` has all of them. */
export const paintCss = (
  layer: AnyLayer,
  given: Given,
  { fileOf }: Pick<LayerContext, "fileOf">,
): Declarations => ({
  background: given.background ?? placeholderOf(layer, given, fileOf),
  "box-shadow": given.shadow,
  ...(isImage(layer) && { "object-fit": given === layer && given.fit === "cover" ? undefined : given.fit }),
  ...(given.subject && {
    "object-position": given.subject.map((share) => `${round(share * 100)}%`).join(" "),
  }),
});

/** What stands for a picture until it is there: under one that covers its box nothing of it is seen afterwards. */
const placeholderOf = (
  layer: AnyLayer,
  { image }: Given,
  fileOf: LayerContext["fileOf"],
): string | undefined =>
  isImage(layer) && layer.fit !== "contain" && image !== undefined ? fileOf(image)?.placeholder : undefined;

export const radiusOf = (layer: AnyLayer): string | undefined =>
  isShape(layer) && layer.shape === "ellipse" ? "50%" : lengthCss(layer.radius, "x");
