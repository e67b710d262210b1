import {
  driftOf,
  type FontFace,
  fillsScene,
  fluidSize,
  type ImageLayer,
  isImage,
  type Length,
  type Page,
  type Place,
  parseLength,
  type Scene,
  type Settle,
  type Size,
  sceneHeight,
  sumLengths,
  type TextLayer,
} from "../core/index.ts";
import type { Assets } from "./assets.ts";
import { modelCss } from "./model.css.ts";
import { stageScene } from "./stage.ts";

/**
 * The page's style sheet. Lengths stay in their units and the model stays a formula, so it holds at every
 * viewport without being built again.
 */
export function pageCss(page: Page, assets: Assets): string {
  const heights = page.scenes.map(sceneHeight);
  const { background, color, fontFamily } = page.page ?? {};
  return [
    ...(page.fonts ?? []).map((font) => fontFaceCss(font, assets)),
    modelCss,
    rule("body", { background, color, "font-family": fontFamily }),
    ...page.scenes.flatMap((scene, index) =>
      sceneCss(scene, heights.slice(0, index), heights.slice(index + 1), assets),
    ),
  ]
    .filter(Boolean)
    .join("\n");
}

type Declarations = Record<string, string | number | undefined>;

function rule(selector: string, declarations: Declarations): string {
  const lines = Object.entries(declarations).filter(([, value]) => value !== undefined);
  return lines.length === 0
    ? ""
    : `${selector} { ${lines.map(([name, value]) => `${name}: ${value};`).join(" ")} }`;
}

const fontFaceCss = ({ family, src, weight, style }: FontFace, assets: Assets) =>
  rule("@font-face", {
    "font-family": `"${family}"`,
    src: `url("${encodeURI(assets.fonts[src] ?? src)}")`,
    "font-weight": weight,
    "font-style": style,
    "font-display": "swap",
  });

function sceneCss(scene: Scene, before: Length[], after: Length[], assets: Assets): string[] {
  const selector = `[data-lumbit-scene="${scene.name}"]`;
  const { fixed, moving } = stageScene(scene);
  return [
    rule(selector, {
      "--lumbit-h": sumLengths([sceneHeight(scene)]),
      "--lumbit-before": sumLengths(before),
      "--lumbit-after": sumLengths(after),
      "--lumbit-settle": settleCss(scene.settle ?? "auto"),
      background: scene.background,
      color: scene.color,
    }),
    ...[...fixed, ...moving].map(({ layer, order }) => {
      const own = isImage(layer) ? imageCss(layer, assets.pictures[layer.image]) : textCss(layer);
      const drift = driftOf(layer);
      const declarations = { "z-index": order, "--lumbit-k": drift === 0 ? undefined : round(drift), ...own };
      return rule(`${selector} [data-lumbit-layer="${layer.name}"]`, declarations);
    }),
  ];
}

/** p0 in CSS; its terms stand unbracketed inside `calc()`, so a sum is bracketed. */
function settleCss(settle: Settle): string {
  switch (settle) {
    case "enter":
      return "0px";
    case "top":
      return "100vh";
    case "middle":
      return "(var(--lumbit-middle))";
    case "bottom":
      return "var(--lumbit-h)";
    case "leave":
      return "(100vh + var(--lumbit-h))";
    case "auto":
      return "var(--lumbit-auto)";
    default:
      return `(${round(settle)} * (100vh + var(--lumbit-h)))`;
  }
}

function imageCss(layer: ImageLayer, picture: Size | undefined): Declarations {
  const [x, y] = layer.subject ?? [0.5, 0.5];
  const subject = layer.subject && `${round(x * 100)}% ${round(y * 100)}%`;
  if (fillsScene(layer)) return { "object-position": subject };
  return {
    ...imagePlaceCss(layer.place ?? {}, picture ?? { width: 1, height: 1 }),
    "object-position": subject,
  };
}

/** A picture's sizes are written out: a browser takes them from the file where two insets should settle them. */
function imagePlaceCss(place: Place, { width: ownWidth, height: ownHeight }: Size): Declarations {
  const x = axisLengths(place.left, place.right, place.width, "cqw");
  const y = axisLengths(place.top, place.bottom, place.height, "cqh");
  const ratio = round(ownWidth / ownHeight);
  const width = x.size ?? (y.size ? `(${y.size} * ${ratio})` : `${ownWidth}px`);
  const height = y.size ?? `(${width} / ${ratio})`;
  return {
    width: calc(width),
    height: calc(height),
    ...(centresX(place) ? { left: `calc(50cqw - ${width} / 2)` } : insets(x, "left", "right")),
    ...(centresY(place) ? { top: `calc(50cqh - ${height} / 2)` } : insets(y, "top", "bottom")),
  };
}

function textCss(layer: TextLayer): Declarations {
  const { fontSize, textAlign, lineHeight, letterSpacing, fontWeight, fontStyle, fontFamily, color } = layer;
  return {
    ...textPlaceCss(layer.place ?? { center: "both" }, layer.maxWidth),
    color,
    "font-family": fontFamily,
    "font-size": typeof fontSize === "object" ? fluidCss(fluidSize(fontSize)) : fontSize,
    "font-weight": fontWeight,
    "font-style": fontStyle,
    "line-height": lineHeight,
    "letter-spacing": letterSpacing,
    "text-align": textAlign,
  };
}

function textPlaceCss(place: Place, maxWidth: Length | undefined): Declarations {
  const x = axisLengths(place.left, place.right, place.width, "cqw");
  const y = axisLengths(place.top, place.bottom, place.height, "cqh");
  const widest = lengthCss(maxWidth, "cqw");
  const width = x.size && widest ? `min(${x.size}, ${widest})` : x.size;
  return {
    width: width && calc(width),
    "max-width": widest,
    height: y.size && calc(y.size),
    ...(centresX(place)
      ? width
        ? { left: `calc(50cqw - ${width} / 2)` }
        : { left: 0, right: 0, width: "fit-content", "margin-inline": "auto" }
      : insets(x, "left", "right")),
    ...(centresY(place)
      ? y.size
        ? { top: `calc(50cqh - ${y.size} / 2)` }
        : { top: 0, bottom: 0, height: "fit-content", "margin-block": "auto" }
      : insets(y, "top", "bottom")),
  };
}

const centresX = ({ center }: Place) => center === "x" || center === "both";
const centresY = ({ center }: Place) => center === "y" || center === "both";

/** A layer stands at its start inset, else at its end inset, else at the scene's edge. */
const insets = (
  axis: { start: string | undefined; end: string | undefined },
  start: string,
  end: string,
): Declarations =>
  axis.start === undefined && axis.end !== undefined ? { [end]: axis.end } : { [start]: axis.start ?? 0 };

/** A length that means the same in every property: percentages in units of the stage. */
function lengthCss(length: Length | undefined, percent: "cqw" | "cqh"): string | undefined {
  const parsed = length === undefined ? undefined : parseLength(length);
  return parsed && `${round(parsed.value)}${parsed.unit === "%" ? percent : parsed.unit}`;
}

function axisLengths(
  start: Length | undefined,
  end: Length | undefined,
  size: Length | undefined,
  percent: "cqw" | "cqh",
) {
  const [from, to, own] = [lengthCss(start, percent), lengthCss(end, percent), lengthCss(size, percent)];
  const between = from && to ? `max(0px, 100${percent} - ${from} - ${to})` : undefined;
  return { start: from, end: to, size: own ?? between };
}

const calc = (expression: string) => (/[ (]/.test(expression) ? `calc(${expression})` : expression);

function fluidCss({ min, max, from, to }: ReturnType<typeof fluidSize>): string {
  const slope = round((max - min) / (to - from));
  return `clamp(${min}px, ${min}px + ${slope} * (100vw - ${from}px), ${max}px)`;
}

/** Numbers in CSS: enough digits that a layer is right within a thousandth of a pixel on the longest page. */
const round = (value: number): number => Number(value.toFixed(8));
