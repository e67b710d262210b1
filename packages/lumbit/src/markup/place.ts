import {
  type AnyLayer,
  fittedWidth,
  isImage,
  isText,
  type PlacedAxis,
  pictureSize,
  startOn,
  type TextLayer,
} from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import type { LayerContext } from "./context.ts";
import { axesOf, contentAxis, lengthCss, sizedAxis } from "./lengths.ts";
import { variable } from "./properties.ts";
import type { Declarations } from "./tree.ts";

/** What a place depends on besides its layer. */
type Around = Pick<LayerContext, "fileOf" | "slide">;

/** The place of a picture, shape or group. Sizes are written out: a browser takes a picture's from its file. */
export function boxPlace(
  layer: Exclude<AnyLayer, TextLayer>,
  base: AnyLayer,
  context: Around,
  asPane = false,
): Declarations {
  const { x, y } = axesOf(layer.place ?? { left: 0, right: 0, top: 0, bottom: 0 });
  const { width, height } = boxSize(layer, { x, y }, base, context);
  const [along, extent] = context.slide ? [x, width] : [y, height];
  return {
    ...sizedAxis(x, width, "x"),
    ...sizedAxis(y, height, "y"),
    ...(asPane && {
      "--lumbit-t": print(startOn(css, along, extent)),
      "--lumbit-ph": print(extent),
    }),
  };
}

/** How large a picture, shape or group is on axes of which not all say it. */
export function boxSize(
  layer: Exclude<AnyLayer, TextLayer>,
  { x, y }: Record<"x" | "y", PlacedAxis<Expression>>,
  base: AnyLayer,
  context: Around,
): { width: Expression; height: Expression } {
  const natural = naturalSize(layer, base, context);
  return natural
    ? pictureSize(css, x.size, y.size, natural)
    : { width: x.size ?? css.px(0), height: y.size ?? css.px(0) };
}

/** The width and proportions of a picture's file; properties where rules change the picture. Nothing of other layers. */
function naturalSize(layer: AnyLayer, base: AnyLayer, { fileOf }: Around) {
  if (!isImage(layer)) return undefined;
  if (changesImage(base)) return { width: variable("natural"), ratio: variable("ratio") };
  const own = fileOf(layer.image) ?? { width: 1, height: 1 };
  return { width: css.px(own.width), ratio: css.number(own.width / own.height) };
}

export const changesImage = (layer: AnyLayer) =>
  isImage(layer) && layer.rules?.some((rule) => rule.image !== undefined);

/** The place of a text: it is as large as its words where it does not say. */
export function textPlace(layer: AnyLayer): Declarations {
  const { x, y } = axesOf(layer.place ?? { center: "both" });
  const widest = lengthCss(layer.maxWidth, "x");
  const fitted = isText(layer) ? lengthCss(fittedWidth(layer), "x") : undefined;
  const asked = fitted === undefined ? x.size : value(fitted);
  const width = asked && widest ? css.min(asked, value(widest)) : asked;
  return {
    ...(width ? sizedAxis(x, width, "x") : { ...contentAxis(x, "x"), "max-width": widest }),
    ...(y.size ? sizedAxis(y, y.size, "y") : contentAxis(y, "y")),
  };
}
