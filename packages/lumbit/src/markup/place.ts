import {
  fittedWidth,
  type GroupLayer,
  isImage,
  type Layer,
  type Place,
  type TextLayer,
} from "../core/index.ts";
import type { Given, LayerContext } from "./context.ts";
import { calc, contentAxis, lengthCss, placedAxis, sizedAxis, startOf } from "./lengths.ts";
import { ifPaned } from "./pane.ts";
import { type Declarations, round } from "./tree.ts";

/** The place of a picture, shape or group. Sizes are written out: a browser takes a picture's from its file. */
export function boxPlace(
  layer: Exclude<Layer, TextLayer>,
  base: Layer,
  context: LayerContext,
  asPane = false,
): Declarations {
  const place: Place = layer.place ?? { left: 0, right: 0, top: 0, bottom: 0 };
  const [x, y] = [placedAxis(place, "x"), placedAxis(place, "y")];
  const [width, height] = boxSize(x.size, y.size, naturalSize(layer, base, context));
  return {
    ...sizedAxis(x, width, "x"),
    ...sizedAxis(y, height, "y"),
    ...(asPane &&
      (context.slide
        ? { "--lumbit-t": calc(startOf(x, width, "x")), "--lumbit-ph": calc(width) }
        : { "--lumbit-t": calc(startOf(y, height, "y")), "--lumbit-ph": calc(height) })),
  };
}

interface NaturalCss {
  width: string | number;
  ratio: string | number;
}

/** The width and proportions of a picture's file; properties where rules change the picture. Nothing of other layers. */
function naturalSize(layer: Layer, base: Layer, { sizeOf }: LayerContext): NaturalCss | undefined {
  if (!isImage(layer)) return undefined;
  if (changesImage(base)) return { width: "var(--lumbit-natural)", ratio: "var(--lumbit-ratio)" };
  const own = sizeOf(layer.image) ?? { width: 1, height: 1 };
  return { width: `${own.width}px`, ratio: round(own.width / own.height) };
}

const changesImage = (layer: Layer) =>
  isImage(layer) && layer.rules?.some((rule) => rule.image !== undefined);

/** What `naturalSize` names of a picture that rules change, for those settings that are given. */
export function naturalCss(layer: Layer, given: Given, base: Layer, { sizeOf }: LayerContext): Declarations {
  if (!changesImage(base) || !given.image || !isImage(layer)) return {};
  const own = sizeOf(given.image) ?? { width: 1, height: 1 };
  return { "--lumbit-natural": `${own.width}px`, "--lumbit-ratio": round(own.width / own.height) };
}

function boxSize(
  width: string | undefined,
  height: string | undefined,
  natural: NaturalCss | undefined,
): [string, string] {
  if (!natural) return [width ?? "0px", height ?? "0px"];
  const wide = width ?? (height ? `(${height} * ${natural.ratio})` : String(natural.width));
  return [wide, height ?? `(${wide} / ${natural.ratio})`];
}

export function textPlace(layer: TextLayer): Declarations {
  const place = layer.place ?? { center: "both" };
  const [x, y] = [placedAxis(place, "x"), placedAxis(place, "y")];
  const widest = lengthCss(layer.maxWidth, "x");
  const asked = lengthCss(fittedWidth(layer), "x") ?? x.size;
  const width = asked && widest ? `min(${asked}, ${widest})` : asked;
  return {
    ...(width ? sizedAxis(x, width, "x") : { ...contentAxis(x, "x"), "max-width": widest }),
    ...(y.size ? sizedAxis(y, y.size, "y") : contentAxis(y, "y")),
  };
}

/** What a rule changes of where a text stands: no more than that, for another rule may hold beside it. */
export function changedPlace(layer: TextLayer, given: Given, base: TextLayer): Declarations {
  const before = textPlace(base);
  return Object.fromEntries(
    Object.entries(textPlace(layer)).filter(([key, value]) =>
      given.place === undefined || (key === "max-width" && given.maxWidth === undefined)
        ? value !== before[key]
        : true,
    ),
  );
}

export const groupSize = ({ size }: GroupLayer, base: Layer): Declarations => ({
  width: ifPaned(base, lengthCss(size?.width, "x")),
  height: ifPaned(base, lengthCss(size?.height, "y")),
});
