import { type CssNode, generate, parse } from "css-tree/dist/csstree.esm";
import { blend, converter, formatHex, parse as parseCss, wcagLuminance } from "culori";
import type { AnyLayer } from "../core/index.ts";
import type { Pixel } from "./picture.ts";

const rgb = converter("rgb");

export const white: Pixel = { r: 1, g: 1, b: 1, alpha: 1 };
export const black: Pixel = { r: 0, g: 0, b: 0, alpha: 1 };

/** Colors and backgrounds that were read before: checks ask for a few at very many points. */
const colors = new Map<string, Pixel | undefined>();
const paints = new Map<string, Paint>();

/** A CSS color; nothing for what is none. */
export function parseColor(text: string): Pixel | undefined {
  if (!colors.has(text)) {
    const color = rgb(parseCss(text));
    colors.set(text, color && { r: color.r, g: color.g, b: color.b, alpha: color.alpha ?? 1 });
  }
  return colors.get(text);
}

type Paint = (x: number, y: number) => Pixel | undefined;

/** The color of a background at a point of its box, in shares: a color, or the first gradient with the colors it runs through. */
export function colorAt(background: string, x: number, y: number): Pixel | undefined {
  const paint = paints.get(background) ?? paintOf(background);
  paints.set(background, paint);
  return paint(x, y);
}

function paintOf(background: string): Paint {
  const plain = parseColor(background);
  if (plain) return () => plain;
  const layers = splitAtCommas(background).map((layer): Paint => {
    const color = parseColor(layer);
    return gradient(layer) ?? (() => color);
  });
  return (x, y) =>
    layers.reduceRight<Pixel | undefined>((below, layer) => {
      const above = layer(x, y);
      return above ? (below ? over(above, below) : above) : below;
    }, undefined);
}

/** One gradient of a background. Circles are taken as wide as half of the box. */
function gradient(text: string): Paint | undefined {
  const match = /^(?:repeating-)?(linear|radial)-gradient\((.*)\)$/s.exec(text.trim());
  if (!match) return undefined;
  const parts = splitAtCommas(match[2] ?? "");
  const first = parts[0] ?? "";
  const headed = stopOf(first) === undefined;
  const stops = spread((headed ? parts.slice(1) : parts).map(stopOf).filter((stop) => stop !== undefined));
  const shareAt = match[1] === "linear" ? alongLine(headed ? first : "") : fromMiddle(first);
  return (x, y) => between(stops, shareAt(x, y));
}

interface ColorStop {
  color: Pixel;
  at?: number;
}

function stopOf(text: string): ColorStop | undefined {
  const match = /^(.*?)(?:\s+(-?[\d.]+)%(?:\s+-?[\d.]+%)?)?$/s.exec(text.trim());
  const color = parseColor(match?.[1] ?? text);
  return color && { color, ...(match?.[2] && { at: Number(match[2]) / 100 }) };
}

/** Stops with a place each: those without lie evenly between the ones that have. */
function spread(stops: readonly ColorStop[]): Required<ColorStop>[] {
  const at = stops.map((stop, index) =>
    index === 0 ? (stop.at ?? 0) : index === stops.length - 1 ? (stop.at ?? 1) : stop.at,
  );
  return stops.map(({ color }, index) => {
    if (at[index] !== undefined) return { color, at: at[index] };
    const before = at.findLastIndex((place, other) => other < index && place !== undefined);
    const after = at.findIndex((place, other) => other > index && place !== undefined);
    const [from, to] = [at[before] ?? 0, at[after] ?? 1];
    return { color, at: from + ((to - from) * (index - before)) / (after - before) };
  });
}

function between(stops: readonly Required<ColorStop>[], share: number): Pixel | undefined {
  const next = stops.findIndex(({ at }) => at >= share);
  const [a, b] = [stops[next - 1], stops[next]];
  if (!b || !a) return (b ?? stops.at(-1))?.color;
  const t = (share - a.at) / (b.at - a.at || 1);
  const mix = (key: keyof Pixel) => a.color[key] + (b.color[key] - a.color[key]) * t;
  return { r: mix("r"), g: mix("g"), b: mix("b"), alpha: mix("alpha") };
}

/** How far along its line a linear gradient is at a point. */
function alongLine(direction: string): (x: number, y: number) => number {
  const degrees = /^(-?[\d.]+)deg$/.exec(direction)?.[1];
  const sides = { "to top": 0, "to right": 90, "to left": 270, "to top right": 45, "to bottom right": 135 };
  const angle = degrees === undefined ? (sides[direction as keyof typeof sides] ?? 180) : Number(degrees);
  const [dx, dy] = [Math.sin((angle * Math.PI) / 180), -Math.cos((angle * Math.PI) / 180)];
  return (x, y) => 0.5 + ((x - 0.5) * dx + (y - 0.5) * dy) / (Math.abs(dx) + Math.abs(dy));
}

/** How far from its middle a radial gradient is at a point. */
function fromMiddle(shape: string): (x: number, y: number) => number {
  const middle = /at\s+(-?[\d.]+)%\s+(-?[\d.]+)%/.exec(shape);
  const [cx, cy] = [Number(middle?.[1] ?? 50) / 100, Number(middle?.[2] ?? 50) / 100];
  // To the farthest corner, as CSS has it unless told otherwise.
  const [width, height] = [Math.max(cx, 1 - cx), Math.max(cy, 1 - cy)];
  return (x, y) => Math.hypot((x - cx) / width, (y - cy) / height) / Math.SQRT2;
}

/** The parts of a CSS list. */
function splitAtCommas(text: string): string[] {
  const list = parse(text, { context: "value" });
  if (list.type !== "Value") return [];
  const parts: CssNode[][] = [[]];
  for (const node of list.children)
    if (node.type === "Operator" && node.value === ",") parts.push([]);
    else parts.at(-1)?.push(node);
  return parts.map((nodes) => nodes.map((node) => generate(node)).join(" "));
}

/** One pixel over another, mixed as its layer blends. */
export function over(above: Pixel, below: Pixel, mode: AnyLayer["blend"] = "normal"): Pixel {
  if (mode !== "normal") {
    const { r, g, b, alpha = 1 } = rgb(blend([rgbOf(below), rgbOf(above)], mode));
    return { r, g, b, alpha };
  }
  if (above.alpha === 1) return above;
  const alpha = above.alpha + below.alpha * (1 - above.alpha);
  const mix = (key: "r" | "g" | "b") =>
    alpha === 0 ? 0 : (above[key] * above.alpha + below[key] * below.alpha * (1 - above.alpha)) / alpha;
  return { r: mix("r"), g: mix("g"), b: mix("b"), alpha };
}

/** What opaque pixels are together. */
export function mean(pixels: readonly Pixel[]): Pixel {
  const of = (key: "r" | "g" | "b") =>
    pixels.reduce((sum, pixel) => sum + pixel[key], 0) / Math.max(1, pixels.length);
  return { r: of("r"), g: of("g"), b: of("b"), alpha: 1 };
}

const rgbOf = (pixel: Pixel) => ({ mode: "rgb" as const, ...pixel });

/** The relative luminance of a color, 0..1 (WCAG 2.2, "relative luminance"). */
export const luminance = (color: Pixel): number => wcagLuminance(rgbOf(color));

/** The contrast of two colors, 1..21 (WCAG 2.2, "contrast ratio"). */
export const contrastOf = (a: Pixel, b: Pixel): number => contrastRatio(luminance(a), luminance(b));

/** The contrast of two luminances: where one color is told from very many, its own is asked for once. */
export const contrastRatio = (a: number, b: number): number =>
  (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

/** A color as CSS writes it in six digits. */
export const hexOf = (color: Pixel): string => formatHex(rgbOf(color));
