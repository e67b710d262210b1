import type { AnyLayer, Box, ImageLayer, LayerName, Length, Page, Size, Viewport } from "lumbit/core";
import { resolveLength } from "lumbit/core";
import { fillsScene, isArranged, isImage, isText, matchesMedia } from "lumbit/internal";
import type { Edit } from "./edit.ts";
import { layerOf, type Writable } from "./find.ts";

/** A layer as it stands on a screen at the settle moment: its own box, or its pane's, against the box around it. */
export interface Standing {
  name: LayerName;
  /** With the rules that hold on the screen. */
  layer: AnyLayer;
  viewport: Viewport;
  box: Box;
  around: Size;
  /** Whether it stands in a row, which has its place. */
  inRow: boolean;
}

/** Which edges of a box a hand is on: -1 the left or top one, 1 the right or bottom one. */
export interface Edges {
  x: -1 | 0 | 1;
  y: -1 | 0 | 1;
}

/** A place as it is written, without what of it excludes what. */
type Loose = { [Key in Side | "width" | "height"]?: Length } & { center?: "x" | "y" | "both" };
type Side = "left" | "right" | "top" | "bottom";

const axes = {
  x: { start: "left", end: "right", size: "width" },
  y: { start: "top", end: "bottom", size: "height" },
} as const;
type AxisName = keyof typeof axes;

/** No box is made smaller than this, in px. */
const leastSize = 8;

/** Moves layers by px of their screen, in the sides and units that their places are written in. */
export const move =
  (standings: readonly Standing[], by: { x: number; y: number }): Edit =>
  (page) => {
    for (const standing of standings) {
      const place = looseOf(standing);
      for (const axis of ["x", "y"] as const) if (by[axis] !== 0) shift(place, axis, by[axis], standing);
      write(page, standing, place);
    }
  };

/** Moves edges of a layer by px of its screen; those across stay. What keeps its proportions grows to both. */
export const resize =
  (standing: Standing, edges: Edges, by: { x: number; y: number }): Edit =>
  (page) => {
    const place = looseOf(standing);
    const growth = extend(place, standing, edges, by);
    write(page, standing, place);
    fit(page, standing, growth);
  };

/** Has a layer be so many times as large, with its left and top edges so many px of its screen further. */
export const grow =
  (standing: Standing, times: number, by: { x: number; y: number }): Edit =>
  (page) => {
    const { width, height } = standing.box;
    const place = looseOf(standing);
    for (const axis of ["x", "y"] as const) shift(place, axis, by[axis], standing);
    const more = { x: width * (times - 1), y: height * (times - 1) };
    const growth = extend(place, standing, { x: 1, y: 1 }, more);
    write(page, standing, place);
    fit(page, standing, growth);
  };

/** Moves edges of a place; how much wider it is then, in px. */
function extend(place: Loose, standing: Standing, edges: Edges, by: { x: number; y: number }): number {
  const { layer, box } = standing;
  const centred = (axis: AxisName) => place.center === axis || place.center === "both";
  const grown = { x: by.x * edges.x, y: by.y * edges.y };
  for (const axis of ["x", "y"] as const) if (centred(axis)) grown[axis] *= 2;
  const proportional =
    isImage(layer) && (place.width === undefined || place.height === undefined) && !stretched(place);
  if (proportional) {
    const share = Math.max(
      ...(["x", "y"] as const).map((axis) => (edges[axis] ? grown[axis] / box[axes[axis].size] : -1)),
    );
    const least = leastSize / Math.min(box.width, box.height) - 1;
    grown.x = box.width * Math.max(share, least);
    grown.y = box.height * Math.max(share, least);
  }
  for (const axis of ["x", "y"] as const) {
    const { size, start, end } = axes[axis];
    const growth = Math.max(grown[axis], leastSize - box[size]);
    if (growth === 0) continue;
    const base = standing.around[size];
    // Between two insets a size is what they leave.
    if (place[start] !== undefined && place[end] !== undefined) {
      const moved = edges[axis] < 0 ? start : end;
      place[moved] = shifted(place[moved] ?? 0, -growth, base, standing.viewport);
      continue;
    }
    const other = axis === "x" ? place.height : place.width;
    const fitted =
      axis === "x" && isText(layer) && typeof layer.fontSize === "object" && "fit" in layer.fontSize;
    if (
      !(proportional && place[size] === undefined && other !== undefined) &&
      !(isText(layer) && axis === "y") &&
      !fitted
    )
      place[size] =
        place[size] === undefined
          ? percent(box[size] + growth, base)
          : shifted(place[size], growth, base, standing.viewport);
    if (centred(axis) || standing.inRow) continue;
    if (edges[axis] < 0 && place[end] === undefined) shift(place, axis, -growth, standing);
    if (edges[axis] > 0 && place[end] !== undefined)
      place[end] = shifted(place[end] ?? 0, -growth, base, standing.viewport);
  }
  return Math.max(grown.x, leastSize - box.width);
}

/** Has letters that are fitted to a width fit one that is so much wider. */
function fit(page: Page, { name, layer, around, viewport }: Standing, growth: number): void {
  const text = layerOf(page, name) as { fontSize?: unknown } | undefined;
  if (text && isText(layer) && typeof layer.fontSize === "object" && "fit" in layer.fontSize)
    text.fontSize = { fit: shifted(layer.fontSize.fit, growth, around.width, viewport) };
}

/** Has what stood in a group as large as that stand where it stood, in the box around the group. */
export const outOfGroup =
  (group: Standing, members: readonly Standing[]): Edit =>
  (page) => {
    for (const member of members) {
      const place = looseOf(member);
      const sizes: Loose = {};
      for (const { start, end, size } of [axes.x, axes.y])
        if (place[size] !== undefined) sizes[size] = place[size];
        else if (place[start] !== undefined && place[end] !== undefined)
          sizes[size] = percent(member.box[size], group.around[size]);
      write(page, member, {
        ...sizes,
        left: percent(group.box.left + member.box.left, group.around.width),
        top: percent(group.box.top + member.box.top, group.around.height),
      });
    }
  };

/** Brings the point of a picture that crops keep in sight to shares of its width and height. */
export const setSubject =
  (name: LayerName, subject: { x: number; y: number }): Edit =>
  (page) => {
    const layer = layerOf(page, name);
    const share = (value: number) => Number(Math.min(Math.max(value, 0), 1).toFixed(2));
    if (layer && isImage(layer))
      (layer as Writable<ImageLayer>).subject = [share(subject.x), share(subject.y)];
  };

const stretched = ({ left, right, top, bottom }: Loose) =>
  (left !== undefined && right !== undefined) || (top !== undefined && bottom !== undefined);

/** Where a layer is written to stand; one that is not stands in shares of what is around. */
function looseOf({ layer, box, around, inRow }: Standing): Loose {
  if (layer.place || inRow) return { ...(layer.place as Loose | undefined) };
  const place: Loose = { left: percent(box.left, around.width), top: percent(box.top, around.height) };
  if (isText(layer) || isArranged(layer)) return place;
  return { ...place, width: percent(box.width, around.width), height: percent(box.height, around.height) };
}

function shift(place: Loose, axis: AxisName, by: number, { box, around, viewport }: Standing): void {
  const { start, end, size } = axes[axis];
  const base = around[size];
  if (place.center === axis || place.center === "both") {
    const other = axis === "x" ? "y" : "x";
    if (place.center === "both") place.center = other;
    else delete place.center;
    place[start] = percent(box[start] + by, base);
    return;
  }
  if (place[end] !== undefined) place[end] = shifted(place[end], -by, base, viewport);
  if (place[start] !== undefined) place[start] = shifted(place[start], by, base, viewport);
  else if (place[end] === undefined) place[start] = percent(box[start] + by, base);
}

/** Writes a place where the one that holds on the screen is written: on the layer, or in a rule of it. */
function write(page: Page, { name, viewport, layer: shown }: Standing, place: Loose): void {
  const layer = layerOf(page, name);
  if (!layer) return;
  const rule = (layer.rules ?? []).findLast((rule) => "place" in rule && matchesMedia(rule.media, viewport));
  const holder = (rule ?? layer) as { place?: Loose; pane?: boolean };
  holder.place = place;
  // What fills its scene is a pane of it, and stays one.
  if (fillsScene(shown)) holder.pane = true;
}

/** The decimals that a length is written with: a step is less than a tenth of a pixel. */
const decimals: Record<string, number> = { px: 1, rem: 3 };

const written = (value: number, unit: string): Length =>
  `${Number(value.toFixed(decimals[unit] ?? 2)) + 0}${unit}` as Length;

const percent = (px: number, of: number): Length =>
  of > 0 ? written((100 * px) / of, "%") : written(px, "px");

/** A length that is so many px longer, in its own unit. */
export function shifted(length: Length, by: number, of: number, viewport: Viewport): Length {
  if (length === 0) return percent(by, of);
  const [, number, unit = ""] = /^([+-]?[\d.]+)([a-z%]+)$/.exec(length) ?? [];
  if (number !== undefined) {
    const px = resolveLength(`1${unit}` as Length, { viewport, percent: of });
    return px > 0 ? written(Number(number) + by / px, unit) : written(by, "px");
  }
  const terms = length.slice("calc(".length, -1).trim();
  const pixels = /(?<=^|\s)([+-]\s+)?([+-]?[\d.]+)px(?=\s|$)/.exec(terms);
  const before = pixels ? Number(`${pixels[1]?.trim() ?? ""}${pixels[2]}`) : 0;
  const after = Number((before + by).toFixed(1));
  const term = `${after < 0 ? "-" : "+"} ${Math.abs(after)}px`;
  const rest = (pixels ? terms.replace(pixels[0], "") : terms).replace(/\s+/g, " ").trim();
  return `calc(${rest === "" ? `${after}px` : `${rest.replace(/^\+\s+/, "").replace(/^-\s+/, "-")} ${term}`})`;
}
