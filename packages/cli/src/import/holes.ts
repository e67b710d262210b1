import { layoutPage, type Page, poseAt, type Size } from "lumbit/core";
import sharp from "sharp";
import type { Drawing, DrawnLayer } from "./drawing.ts";
import { pictureOf } from "./flattened.ts";

/** Where a layer ends behind what moves away from it: what comes into view there is missing. */
export interface Hole {
  layer: string;
  /** On which side of where it ends it has to go on. */
  side: "above" | "below";
  /** How far, in px of the drawing. */
  missing: number;
  /** In how many px of its width. */
  width: number;
  /** For each column of the grid the row at which it ends, and how many rows are missing there. */
  ends: readonly { column: number; row: number; missing: number }[];
  /** How many px of the drawing a column and a row of the grid are. */
  step: number;
}

/** Longest side of the grid that is looked at. */
const finest = 1000;
/** How far apart an end and the edge of what covers it may be to be drawn along it, in rows. */
const contact = 2;
/** How many rows apart the ends of two columns are at most in one line. */
const steepest = 3;
/** How many moments of a passage are looked at. */
const moments = 24;
/** How wide a hole is at least, as a share of the drawing. */
const narrowest = 0.02;

/**
 * The holes of a drawing in the page that was made of it: a layer ends where others cover it when the scene settles, and
 * does not any more when they have moved. Looked for along the scroll, over the whole passage of its scene.
 */
export async function holesOf(drawing: Drawing, page: Page, scene: string): Promise<Hole[]> {
  const step = Math.max(1, Math.max(drawing.width, drawing.height) / finest);
  const [width, height] = [drawing.width, drawing.height].map((side) => Math.round(side / step)) as [
    number,
    number,
  ];
  const shown = drawing.layers.filter(({ hidden }) => !hidden);
  const grids = await Promise.all(shown.map((layer) => gridOf(layer, drawing, { width, height })));
  const slides = slidesOf(drawing, page, scene, shown, height);
  const least = narrowest * width;
  const isCutOff = ({ row }: Hole["ends"][number]) => row === 0 || row === height - 1;
  return shown.flatMap((layer, index): Hole[] => {
    const own = grids[index];
    if (layer.covers || !own) return [];
    const before = shown.flatMap((nearer, at) =>
      at > index && nearer.opacity === 1 && nearer.blend === "normal" ? [at] : [],
    );
    const covered = (x: number, y: number, slide?: Slides) =>
      before.some((at) => grids[at]?.[(y - Math.round(slide?.layers[at] ?? 0)) * width + x]);
    return (["above", "below"] as const).flatMap((side): Hole[] => {
      const by = side === "below" ? 1 : -1;
      const ends = Array.from({ length: width }, (_, column) =>
        endsIn({ own, width, height, column, by, index, slides, covered }),
      ).flat();
      // Shapes cross in short lines; what the drawing's own edge cuts off counts in any.
      const found = linesOf(ends)
        .filter((line) => line.length >= least || line.some(isCutOff))
        .flat();
      const missing = Math.max(0, ...found.map((end) => end.missing));
      if (missing <= contact || found.length < least) return [];
      const inDrawing = (size: number) => Math.ceil(size * step);
      const extent = { missing: inDrawing(missing), width: inDrawing(found.length) };
      return [{ layer: layer.name, side, ...extent, ends: found, step }];
    });
  });
}

/** A hole in words, with the point of the drawing where the most is missing. */
export function holeSaid({ layer, side, missing, width, ends, step }: Hole): string {
  const worst = ends.reduce((most, end) => (end.missing > most.missing ? end : most));
  const [x, y] = [worst.column, worst.row].map((at) => Math.round((at + 0.5) * step));
  return `"${layer}" ends too soon for its movement: ${side} ${x}, ${y} in the drawing ${missing} px are missing, in ${width} px of its width`;
}

/** Ends that lie side by side, as lines. */
function linesOf(ends: Hole["ends"]): Hole["ends"][number][][] {
  const lines: Hole["ends"][number][][] = [];
  for (const end of ends) {
    const before = lines.find((line) => {
      const last = line.at(-1);
      return last?.column === end.column - 1 && Math.abs(last.row - end.row) <= steepest;
    });
    if (before) before.push(end);
    else lines.push([end]);
  }
  return lines;
}

/** Where the layers of a drawing are at a moment against where they settle, in rows down; and which rows are in view. */
interface Slides {
  layers: readonly number[];
  from: number;
  to: number;
}

interface Column {
  own: Uint8Array;
  width: number;
  height: number;
  column: number;
  /** 1 to look below what there is, -1 above. */
  by: 1 | -1;
  index: number;
  slides: readonly Slides[];
  covered(x: number, y: number, slide?: Slides): boolean;
}

/** The ends of a layer in a column behind which something is missing at some moment. */
function endsIn({ own, width, height, column, by, index, slides, covered }: Column): Hole["ends"] {
  const has = (y: number) => own[y * width + column] === 1;
  const outside = (y: number) => y < 0 || y >= height;
  const ends: { column: number; row: number; missing: number }[] = [];
  for (let y = 0; y < height; y++) {
    const end = y + by;
    if (!has(y) || (!outside(end) && has(end))) continue;
    const isOpen = (far: number) => !outside(end + by * far) && !has(end + by * far);
    // A seam of soft edges may lie between it and what covers it on.
    let seam = 0;
    while (seam < contact && isOpen(seam) && !covered(column, end + by * seam)) seam++;
    // How far on it is hidden at rest, and how far back what hides it reaches over it.
    let hidden = seam;
    while (isOpen(hidden) && covered(column, end + by * hidden)) hidden++;
    // To the drawing's end; else it may be a shape of its own, unless it was cut along what covers it.
    const toEnd = outside(end + by * hidden);
    let over = 0;
    while (over <= contact && covered(column, y - by * over)) over++;
    if (!toEnd && (hidden === seam || over > contact)) continue;
    const most = toEnd ? height : hidden;
    let missing = 0;
    for (const slide of slides) {
      const down = Math.round(slide.layers[index] ?? 0);
      for (let far = missing; far < most; far++) {
        const row = end + by * far + down;
        if (row < slide.from || row >= slide.to) continue;
        if (!covered(column, row, slide)) missing = far + 1;
      }
    }
    if (missing > 0) ends.push({ column, row: y, missing });
  }
  return ends;
}

/** How far layers slide against where they settle, at moments of their scene's passage. */
function slidesOf(
  drawing: Drawing,
  page: Page,
  scene: string,
  shown: readonly DrawnLayer[],
  rows: number,
): Slides[] {
  const boxes = new Map(drawing.layers.map(({ name, box }) => [name, box]));
  const viewport = { width: 1280, height: 800 };
  const layout = layoutPage(page, viewport, {
    layer: ({ name }) => boxes.get(name) ?? { width: 1, height: 1 },
    content: () => viewport.height,
  });
  const own = layout.scenes.find(({ name }) => name === scene);
  if (!own) return [];
  const last = layout.scrollHeight - viewport.height;
  const [start, end] = [own.top - viewport.height, own.top + own.height].map((at) =>
    Math.min(Math.max(at, 0), last),
  ) as [number, number];
  const settled = new Map(own.layers.map(({ name, box }) => [name, box.top]));
  return Array.from({ length: moments + 1 }, (_, moment) => {
    const pose = poseAt(layout, start + ((end - start) * moment) / moments);
    const at = pose.scenes.find(({ name }) => name === scene);
    const tops = new Map(at?.layers.map(({ name, top }) => [name, top - (at?.top ?? 0)]));
    const row = (px: number) => (px * rows) / own.height;
    return {
      layers: shown.map(({ name }) => row((tops.get(name) ?? 0) - (settled.get(name) ?? 0))),
      from: Math.max(0, Math.ceil(row(-(at?.top ?? 0)))),
      to: Math.min(rows, Math.floor(row(viewport.height - (at?.top ?? 0)))),
    };
  });
}

/** Which cells of a grid over the drawing a layer fills. */
async function gridOf(layer: DrawnLayer, drawing: Drawing, size: Size): Promise<Uint8Array> {
  const grid = new Uint8Array(size.width * size.height);
  if (layer.covers) return grid.fill(1);
  if (layer.words) return grid;
  const { box } = layer.file ? layer : { box: { left: 0, top: 0, ...drawing } };
  const across = (x: number) => Math.round((x * size.width) / drawing.width);
  const down = (y: number) => Math.round((y * size.height) / drawing.height);
  const [left, top] = [across(box.left), down(box.top)];
  const width = Math.max(1, across(box.left + box.width) - left);
  const height = Math.max(1, down(box.top + box.height) - top);
  const alpha = await sharp(await pictureOf(layer, drawing))
    .ensureAlpha()
    .extractChannel(3)
    .resize(width, height, { fit: "fill" })
    .raw()
    .toBuffer();
  for (let y = Math.max(0, -top); y < Math.min(height, size.height - top); y++)
    for (let x = Math.max(0, -left); x < Math.min(width, size.width - left); x++)
      if ((alpha[y * width + x] ?? 0) >= 128) grid[(y + top) * size.width + x + left] = 1;
  return grid;
}
