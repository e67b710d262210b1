import {
  type AnyLayer,
  allLayers,
  applyRulesWhere,
  automaticSettle,
  backdropHeight,
  besideSlide,
  columnDefaults,
  columnIn,
  depthOf,
  directionVector,
  driftAlong,
  driftFactor,
  edge,
  fillsScene,
  hasPane,
  hasReel,
  type ImageLayer,
  isArranged,
  isAutomatic,
  isGroup,
  isImage,
  isReel,
  isSlide,
  type Length,
  leastHeight,
  leastReached,
  matchesMedia,
  mostReached,
  overscan,
  overscans,
  ownSettleOf,
  type Page,
  type Passage,
  paneRange,
  passageLength,
  pictureSize,
  placedAxes,
  rampsOf,
  reach,
  type Scene,
  type Size,
  settleOf,
  speedOf,
  stageOf,
  startOn,
  swing,
  termsOf,
  type Viewport,
} from "../core/index.ts";
import { type DrawnSizes, fileAt } from "../markup/index.ts";
import { screenLengths as a, lengthAt, printLength, type ScreenLength, sum } from "./screen-length.ts";

/** How wide the files of a page's pictures are drawn, in CSS pixels, on screens that nobody has seen yet. */
export interface DrawnWidths extends DrawnSizes {
  widthAt(layer: ImageLayer, viewport: Viewport): number;
  backdrop?: { sizes: string; widthAt(viewport: Viewport): number };
}

interface Area {
  width: ScreenLength;
  height: ScreenLength;
}
interface Placed extends Area {
  left: ScreenLength;
  top: ScreenLength;
}

/** What a scene with content is high: nobody knows before it is there. */
const contentHeight = sum({ vh: 150 });
const viewport = sum({ vh: 100 });
const across = sum({ vw: 100 });
const none = sum({});

/** So many media queries are told apart in all combinations; where there are more, the largest width holds. */
const mostQueries = 3;

/** A width that holds where a media condition does; without one, everywhere else. */
interface Conditional {
  queries: readonly string[];
  width: ScreenLength;
}

/**
 * How wide the files of a page's pictures are drawn: the formulas of the model, with the screen as the unknown. `sizes` are
 * lengths in `vw`, `vh` and px, with the media queries where the page's rules ask for other ones; what depends on how high
 * a scene's content is is drawn as if that were one and a half screens.
 */
export function drawnWidths(page: Page, pictures: Readonly<Record<string, Size>>): DrawnWidths {
  const sceneWidths = new Map<string, (ScreenLength | undefined)[]>();
  const widthsWhere = (index: number, queries: readonly string[]) => {
    const key = [index, ...queries].join("\n");
    const known = sceneWidths.get(key);
    if (known) return known;
    const found = widthsIn(
      applyRulesWhere(page, (media) => queries.includes(media)),
      index,
      pictures,
      page,
    );
    sceneWidths.set(key, found);
    return found;
  };
  const widths = new Map<AnyLayer, Conditional[]>();
  for (const [index, scene] of page.scenes.entries()) {
    const around = queriesOf(page.page, scene);
    const ordered = allLayers(scene.layers);
    const gather = (layers: readonly AnyLayer[], outer: readonly string[]) => {
      for (const layer of layers) {
        const queries = [...new Set([...outer, ...queriesOf(layer)])];
        gather(layer.layers ?? [], queries);
        if (!isImage(layer)) continue;
        const widthIn = (held: readonly string[]) => widthsWhere(index, held)[ordered.indexOf(layer)] ?? none;
        widths.set(layer, conditional(queries, widthIn));
      }
    };
    gather(scene.layers, around);
  }
  const backdrop = page.page?.backdrop && backdropWidth(page, pictures);
  const of = (layer: ImageLayer) => widths.get(layer) ?? [{ queries: [], width: across }];
  return {
    sizes: (layer) => sizesOf(of(layer)),
    widthAt: (layer, screen) => widthAt(of(layer), screen),
    ...(backdrop && {
      backdrop: {
        sizes: printLength(backdrop),
        widthAt: (screen: Viewport) => lengthAt(backdrop, screen),
      },
    }),
  };
}

const queriesOf = (...all: ({ rules?: readonly { media: string }[] } | undefined)[]) => [
  ...new Set(all.flatMap((one) => (one?.rules ?? []).map(({ media }) => media))),
];

/** The widths in all combinations of some queries, those with more of them first; one where they do not differ. */
function conditional(
  queries: readonly string[],
  widthIn: (held: readonly string[]) => ScreenLength,
): Conditional[] {
  const conditions = queries.map(conditionOf);
  if (queries.length > mostQueries || conditions.some((one) => /\b(?:print|not|only)\b/.test(one)))
    return [{ queries: [], width: a.max(widthIn([]), ...queries.map((one) => widthIn([one]))) }];
  const combinations = Array.from({ length: 2 ** queries.length }, (_, bits) =>
    queries.filter((_, index) => bits & (1 << index)),
  );
  const all = combinations
    .toSorted((one, other) => other.length - one.length)
    .map((held) => ({ queries: held, width: widthIn(held) }));
  const [plain] = all.slice(-1).map(({ width }) => printLength(width));
  return all.every(({ width }) => printLength(width) === plain) ? all.slice(-1) : all;
}

/** A media query as a media condition, which `sizes` takes: without the type of a screen, and with lists as alternatives. */
function conditionOf(query: string): string {
  const parts = query.split(",").map((part) => part.trim().replace(/^(?:all|screen)\s+and\s+/i, ""));
  const [first = ""] = parts;
  return parts.length === 1 && !/\sor\s/.test(first)
    ? first
    : `(${parts.map((part) => `(${part})`).join(" or ")})`;
}

const sizesOf = (widths: readonly Conditional[]): string =>
  widths
    .map(({ queries, width }) => [queries.map(conditionOf).join(" and "), printLength(width)])
    .map((parts) => parts.filter(Boolean).join(" "))
    .join(", ");

const widthAt = (widths: readonly Conditional[], screen: Viewport): number =>
  lengthAt(
    widths.find(({ queries }) => queries.every((query) => matchesMedia(query, screen)))?.width ?? across,
    screen,
  );

/** A length where 100 % is known. */
function resolve(length: Length | undefined, percent: ScreenLength): ScreenLength {
  const terms = (termsOf(length ?? 0) ?? []).map(({ value, unit }) => {
    if (unit === "%") return a.multiply(percent, a.number(value / 100));
    if (unit === "px") return a.px(value);
    if (unit === "rem") return a.px(16 * value);
    return sum(unit.endsWith("w") ? { vw: value } : { vh: value });
  });
  return a.add(none, ...terms);
}

/** What a scene takes of the page; nothing where only its content or a rule knows. */
const extentOf = (scene: Scene, isChanging: boolean): ScreenLength | undefined =>
  isAutomatic(scene) || isChanging || hasReel(scene)
    ? undefined
    : a.add(resolve(leastHeight(scene), none), resolve(scene.hold, none));

const changesExtent = ({ rules = [] }: Scene) =>
  rules.some((rule) => "height" in rule || "minHeight" in rule || "hold" in rule);

/** How wide the files of the pictures of a scene are drawn, by the order of its layers; `source` is the page with its rules. */
function widthsIn(
  page: Page,
  index: number,
  pictures: Readonly<Record<string, Size>>,
  source: Page,
): (ScreenLength | undefined)[] {
  const scene = page.scenes[index] as Scene;
  const look = page.page ?? {};
  const extents = page.scenes.map((other, at) => extentOf(other, changesExtent(source.scenes[at] as Scene)));
  const total = (some: readonly (ScreenLength | undefined)[]) =>
    some.includes(undefined) ? undefined : a.add(none, ...(some as ScreenLength[]));
  const height = a.max(
    resolve(scene.minHeight, none),
    isAutomatic(scene) ? contentHeight : none,
    resolve(leastHeight(scene), none),
  );
  const column = columnIn(
    a,
    across,
    resolve(look.margin ?? columnDefaults.margin, across),
    resolve(look.column ?? columnDefaults.column, across),
  );
  const width = scene.width === "column" ? column : across;
  const hold = resolve(scene.hold, none);
  const passage = passageIn({
    ...{ scene: height, hold, viewport },
    ...{ before: total(extents.slice(0, index)), after: total(extents.slice(index + 1)) },
  });
  const settle = settleOf(a, scene.settle ?? "auto", { ...passage, automatic: automaticSettle(a, passage) });
  const stage = stageOf(scene, look);
  const sway = resolve(stage.camera.sway, width);
  const nearer = stage.camera.push * (typeof scene.settle === "number" ? 1 - scene.settle : 0.5);
  const widthOf = (layer: AnyLayer, box: Area, scale: number) =>
    isImage(layer) ? drawnWidth(layer, box, fileAt(pictures, layer.image), scale) : undefined;
  return scene.layers.flatMap((layer) => {
    const k = a.number(driftFactorOf(layer, stage.relief));
    const drift = driftAlong(a, k, vectorOf(layer), a.number(stage.camera.pan));
    const { box, pane } = placed(layer, { width, height }, pictures);
    const outer = pane ?? box;
    const own = layer.settle === undefined ? settle : ownSettleOf(a, layer.settle, viewport, outer);
    const over =
      overscans(layer) &&
      overscan(a, { drift, settle: own, passage, pane: outer, range: paneRange(a, passage, outer) });
    const area = over ? reach(a, outer, over, a.add(a.px(edge), swing(a, k, sway))) : box;
    const depth = depthOf(layer);
    const near = !over && Number.isFinite(depth) ? (1 + depth) / (1 + depth - nearer) : 1;
    const scale = near * largestScale(layer);
    if (isReel(layer)) return [undefined, ...slideWidths(layer, area, stage.relief, pictures, widthOf)];
    // Percentages in what is as large as its content are of what is around that.
    const inside = (own: AnyLayer, box: Area, around: Area, enlarged: number): (ScreenLength | undefined)[] =>
      (own.layers ?? []).flatMap((child) => {
        const outer = isArranged(own) ? around : box;
        const at = placed(child, outer, pictures).box;
        const larger = enlarged * largestScale(child);
        return [widthOf(child, at, larger), ...inside(child, at, outer, larger)];
      });
    return [widthOf(layer, area, scale), ...inside(layer, area, { width, height }, scale)];
  });
}

/** What is in the slides of a reel, which reach past themselves sideways. */
function slideWidths(
  { reel, layers }: Extract<AnyLayer, { reel?: object }>,
  around: Area,
  relief: number,
  pictures: Readonly<Record<string, Size>>,
  widthOf: (layer: AnyLayer, box: Area, scale: number) => ScreenLength | undefined,
): (ScreenLength | undefined)[] {
  const row = { slide: resolve(reel?.width ?? "100%", around.width), gap: resolve(reel?.gap, around.width) };
  return (layers ?? []).filter(isSlide).flatMap((slide, index, slides) => {
    const beside = (count: number) => besideSlide(a, a.number(count), row);
    const passage = passageIn({
      ...{ viewport: around.width, scene: row.slide, hold: none },
      ...{ before: beside(index), after: beside(slides.length - 1 - index) },
    });
    const area = { width: row.slide, height: around.height };
    return [
      undefined,
      ...slide.layers.map((layer) => {
        const { box, pane } = placed(layer, area, pictures);
        const { left: top, width: height } = pane ?? box;
        const over =
          overscans(layer) &&
          overscan(a, {
            drift: { x: none, y: a.number(driftFactorOf(layer, relief)) },
            settle: a.divide(passage.length, a.number(2)),
            passage,
            pane: { top, height },
            range: paneRange(a, passage, { top, height }),
          });
        const width = over ? a.add(height, over.top, over.bottom, a.px(2 * edge)) : box.width;
        return widthOf(layer, { width, height: box.height }, largestScale(layer));
      }),
    ];
  });
}

/** A passage, of which all can be reached where it is not known what is beside it. */
function passageIn({
  before,
  after,
  ...own
}: Pick<Passage<ScreenLength>, "viewport" | "scene" | "hold"> &
  Record<"before" | "after", ScreenLength | undefined>): Passage<ScreenLength> {
  const length = passageLength(a, own);
  const lo = before ? leastReached(a, { ...own, before }) : none;
  return { ...own, length, lo, hi: after ? mostReached(a, { ...own, after }, { length, lo }) : length };
}

const driftFactorOf = (layer: AnyLayer, relief: number): number => {
  const factor = driftFactor(a, a.number(relief), a.number(speedOf(layer)));
  return lengthAt(factor, { width: 0, height: 0 });
};

const vectorOf = ({ direction }: AnyLayer) => {
  const { x, y } = directionVector(direction);
  return { x: a.number(x), y: a.number(y) };
};

/** Where a layer stands in what is around it, and the pane that clips it. */
function placed(
  layer: AnyLayer,
  around: Area,
  pictures: Readonly<Record<string, Size>>,
): { box: Placed; pane?: Placed } {
  const whole = { left: none, top: none, ...around };
  if (fillsScene(layer) || (isGroup(layer) && !layer.place)) return { box: whole };
  const { x, y } = placedAxes(
    a,
    layer.place ?? { center: "both" },
    (length, axis) => resolve(length, axis === "x" ? around.width : around.height),
    around,
  );
  const file = isImage(layer) ? fileAt(pictures, layer.image) : undefined;
  const size = file
    ? pictureSize(a, x.size, y.size, { width: a.px(file.width), ratio: a.number(file.width / file.height) })
    : { width: x.size ?? none, height: y.size ?? none };
  const box = { left: startOn(a, x, size.width), top: startOn(a, y, size.height), ...size };
  if (!hasPane(layer)) return { box };
  if (!isGroup(layer)) return { box, pane: box };
  const inner = {
    width: resolve(layer.size?.width ?? "100%", box.width),
    height: resolve(layer.size?.height ?? "100%", box.height),
  };
  return { box: { ...box, ...inner }, pane: box };
}

/** How large a layer's ramps make it at most. */
const largestScale = (layer: AnyLayer): number =>
  rampsOf(layer)
    .filter(({ property }) => property === "scale")
    .reduce((scale, { stops }) => scale * Math.max(...stops.map(({ value }) => Number(value))), 1);

/** How wide a file is drawn so that it covers a box, or fits into it; as little as there is of what is hidden. */
function drawnWidth(
  { hidden, fit }: ImageLayer,
  { width, height }: Area,
  file: Size | undefined,
  scale: number,
): ScreenLength {
  if (hidden) return a.px(1);
  if (!file) return width;
  const whole = a.multiply(height, a.number(file.width / file.height));
  return a.multiply(a.number(scale), fit === "contain" ? a.min(width, whole) : a.max(width, whole));
}

/** How wide the file of a backdrop is drawn; the page is as high as what is known of it. */
function backdropWidth(page: Page, pictures: Readonly<Record<string, Size>>): ScreenLength | undefined {
  const backdrop = page.page?.backdrop;
  const file = backdrop && fileAt(pictures, backdrop.image);
  if (!backdrop || !file) return undefined;
  const extents = page.scenes.map((scene) => extentOf(scene, changesExtent(scene)) ?? contentHeight);
  const height = backdropHeight(a, a.number(speedOf(backdrop)), viewport, a.add(none, ...extents));
  return a.max(across, a.multiply(height, a.number(file.width / file.height)));
}
