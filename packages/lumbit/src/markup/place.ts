import {
  type AnyLayer,
  fittedWidth,
  type GroupLayer,
  isArranged,
  isFitContent,
  isImage,
  isText,
  type PlacedAxis,
  pictureSize,
  startOn,
  type TextLayer,
} from "../core/index.ts";
import { css, type Expression, print, value } from "./arithmetic.ts";
import type { Given, LayerContext } from "./context.ts";
import { axesOf, contentAxis, lengthCss, sizedAxis } from "./lengths.ts";
import { ifPaned } from "./pane.ts";
import { variable } from "./properties.ts";
import { type Declarations, round } from "./tree.ts";

/** The place of a picture, shape or group. Sizes are written out: a browser takes a picture's from its file. */
export function boxPlace(
  layer: Exclude<AnyLayer, TextLayer>,
  base: AnyLayer,
  context: LayerContext,
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
  context: LayerContext,
): { width: Expression; height: Expression } {
  const natural = naturalSize(layer, base, context);
  return natural
    ? pictureSize(css, x.size, y.size, natural)
    : { width: x.size ?? css.px(0), height: y.size ?? css.px(0) };
}

/** The width and proportions of a picture's file; properties where rules change the picture. Nothing of other layers. */
function naturalSize(layer: AnyLayer, base: AnyLayer, { fileOf }: LayerContext) {
  if (!isImage(layer)) return undefined;
  if (changesImage(base)) return { width: variable("natural"), ratio: variable("ratio") };
  const own = fileOf(layer.image) ?? { width: 1, height: 1 };
  return { width: css.px(own.width), ratio: css.number(own.width / own.height) };
}

const changesImage = (layer: AnyLayer) =>
  isImage(layer) && layer.rules?.some((rule) => rule.image !== undefined);

/** What `naturalSize` names of a picture that rules change, for those settings that are given. */
export function naturalCss(
  layer: AnyLayer,
  given: Given,
  base: AnyLayer,
  { fileOf }: LayerContext,
): Declarations {
  if (!changesImage(base) || !given.image || !isImage(layer)) return {};
  const own = fileOf(given.image) ?? { width: 1, height: 1 };
  return { "--lumbit-natural": `${own.width}px`, "--lumbit-ratio": round(own.width / own.height) };
}

/** The place of a layer that is as large as what is in it where it does not say. */
export function contentPlace(layer: AnyLayer): Declarations {
  const { x, y } = axesOf(layer.place ?? { center: "both" });
  const widest = lengthCss(layer.maxWidth, "x");
  const fitted = isText(layer) ? lengthCss(fittedWidth(layer), "x") : undefined;
  const asked = fitted === undefined ? x.size : value(fitted);
  const width = asked && widest ? css.min(asked, value(widest)) : asked;
  return {
    ...(width
      ? sizedAxis(x, width, "x")
      : { ...contentAxis(x, "x"), "max-width": isArranged(layer) ? print(roomOn(x)) : widest }),
    ...(y.size ? sizedAxis(y, y.size, "y") : contentAxis(y, "y")),
    ...(isFitContent(layer) && fitRows(layer, y.centred && !y.size)),
  };
}

/**
 * How high the cell of a group is that is as large as what is in it. WebKit takes what stands between two insets for as
 * high as they leave, though its height says otherwise: there it has to be no higher than what is in it.
 */
const fitRows = (layer: AnyLayer, isFree: boolean): Declarations =>
  isFree
    ? { "grid-template-rows": "auto", "align-content": "start" }
    : layer.rules
      ? { "grid-template-rows": "minmax(0, 1fr)", "align-content": "normal" }
      : {};

/** How much room there is for what keeps off the insets of an axis. */
const roomOn = ({ start = css.px(0), end = css.px(0), around }: PlacedAxis<Expression>) =>
  css.subtract(around, start, end);

/** What a rule changes of where a text stands: no more than that, for another rule may hold beside it. */
export function changedPlace(layer: TextLayer, given: Given, base: TextLayer): Declarations {
  const before = contentPlace(base);
  return Object.fromEntries(
    Object.entries(contentPlace(layer)).filter(([key, value]) =>
      given.place === undefined || (key === "max-width" && given.maxWidth === undefined)
        ? value !== before[key]
        : true,
    ),
  );
}

export const groupSize = ({ size }: GroupLayer, base: AnyLayer): Declarations => ({
  width: ifPaned(base, lengthCss(size?.width, "x")),
  height: ifPaned(base, lengthCss(size?.height, "y")),
});
