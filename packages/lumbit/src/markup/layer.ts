import {
  blurAt,
  depthOf,
  directionVector,
  fillsScene,
  fittedWidth,
  type GroupLayer,
  hasPane,
  hazedOpacity,
  isFitted,
  isGroup,
  isImage,
  isShape,
  isText,
  type Layer,
  type LayerLook,
  type LayerSettings,
  lateness,
  orderOf,
  overscans,
  type PageLook,
  type Place,
  type Size,
  speedOf,
  type TextLayer,
} from "../core/index.ts";
import { calc, contentAxis, lengthCss, placedAxis, sizedAxis, startOf } from "./lengths.ts";
import {
  filterCss,
  holdCss,
  keyframesCss,
  layerPieces,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  type Way,
  waysOf,
} from "./ramp.ts";
import {
  isReel,
  reelCss,
  rowCss,
  rowWay,
  slideCss,
  slideLayerCss,
  slidesAgainst,
  slideWay,
  travelMedia,
} from "./reel.ts";
import { textCss } from "./text.ts";
import { type Declarations, round, type StyleRule } from "./tree.ts";

/** What a layer's style depends on besides the layer. */
export interface LayerContext {
  /** Selects the scene. */
  scene: string;
  look: PageLook;
  /** The size of a picture's file. */
  sizeOf(image: string): Size | undefined;
  /** The width of a text's widest line in font sizes. */
  ems(text: TextLayer): number;
  /** Whether the camera moves forward in this scene. */
  pushed: boolean;
  /** Layers that plain CSS keeps where they are. */
  fixed: readonly Layer[];
  /** Whether the layer is one of a group, which it moves with. */
  inner?: true;
  /** Of a slide: which of its reel it is. Of a layer in one: that it is. */
  slide?: { index: number; count: number } | "inside";
}

/** The style of a layer, of its pane and of the layers inside it. */
export function layerRules(layer: Layer, context: LayerContext): StyleRule[] {
  const select = (kind: "layer" | "pane") => `${context.scene} [data-lumbit-${kind}="${layer.name}"]`;
  const base = styleOf(layer, layer, layer, context);
  const rules: StyleRule[] = [
    { selector: select("layer"), declarations: base.layer },
    ...(base.pane ? [{ selector: select("pane"), declarations: base.pane }] : []),
    ...motionRules(layer, select("layer"), context),
    ...pieceRules(layer, select("layer")),
  ];
  for (const { media, ...settings } of layer.rules ?? []) {
    const changed = mergeMotion(layer, settings);
    const { layer: own, pane } = styleOf(changed, settings, layer, context);
    rules.push({ selector: select("layer"), declarations: own, media });
    if (pane) rules.push({ selector: select("pane"), declarations: pane, media });
  }
  const inner = isGroup(layer)
    ? layer.layers.flatMap((child, index) =>
        layerRules(child as Layer, {
          ...context,
          look: layer.tilt ? { focus: context.look.focus } : {},
          pushed: false,
          inner: true,
          slide: isReel(layer) ? { index, count: layer.layers.length } : context.slide && ("inside" as const),
        }),
      )
    : [];
  if (isReel(layer)) rules.push(...rowRules(`${select("layer")} > .lumbit-row`));
  return [...rules, ...inner];
}

const mergeMotion = (layer: Layer, settings: LayerSettings): Layer =>
  (settings.depth === undefined && settings.speed === undefined
    ? { ...layer, ...settings }
    : { ...layer, depth: undefined, speed: undefined, ...settings }) as Layer;

/** The declarations for those settings of a layer that are given; `layer` has all of them, `base` those without rules. */
function styleOf(
  layer: Layer,
  given: LayerSettings & LayerLook,
  base: Layer,
  context: LayerContext,
): { layer: Declarations; pane?: Declarations } {
  const whole = given === layer;
  const moves = whole || given.depth !== undefined || given.speed !== undefined || given.order !== undefined;
  const placed = whole || given.place !== undefined;
  const opacity = round(hazedOpacity(depthOf(layer), context.look.haze));
  const blur = round(blurAt(depthOf(layer), context.look.focus, { width: 0, height: 0 }));
  const order = moves ? orderOf(layer) : undefined;
  const pane = hasPane(layer);
  const own: Declarations = {
    display:
      given.hidden === undefined ? undefined : given.hidden ? "none" : whole ? undefined : "revert-layer",
    "z-index": pane ? undefined : order,
    ...motionCss(given, moves ? speedOf(layer) : undefined),
    ...(moves && hasAnyWays(layer) && airCss(opacity, blur)),
    ...(given.hold && holdCss(given.hold)),
    opacity: moves && (opacity !== 1 || !whole) ? opacity : undefined,
    filter: moves && (blur !== 0 || (!whole && context.look.focus)) ? `blur(${blur}px)` : undefined,
    ...(!isText(layer) && { background: given.background, "box-shadow": given.shadow }),
    ...(whole && isGroup(layer) && { "--lumbit-tilt": layer.tilt }),
    ...(whole && isReel(layer) && reelCss(layer.reel, layer.layers.length)),
    ...(isImage(layer) && { "object-fit": whole && given.fit === "cover" ? undefined : given.fit }),
    ...(given.subject && {
      "object-position": given.subject.map((share) => `${round(share * 100)}%`).join(" "),
    }),
    ...(isText(layer) && { ...textCss(given), ...emsCss(layer, given, context) }),
  };
  const rounded = whole || given.radius !== undefined;
  if (!isText(layer) && rounded && !pane) own["border-radius"] = radiusOf(layer);
  if (isText(layer) && isText(base))
    Object.assign(own, whole ? textPlace(layer) : changedPlace(layer, given, base));
  if (isText(layer) || fillsScene(layer)) return { layer: own };
  if (typeof context.slide === "object")
    return { layer: { ...own, ...(whole && slideCss(context.slide.index, context.slide.count)) } };
  if (!pane) return { layer: { ...own, ...(placed && boxPlace(layer, context)) } };
  return {
    layer: { ...own, ...(whole && isGroup(layer) && groupSize(layer)) },
    pane: {
      display: own.display,
      "z-index": order,
      ...(rounded && { "border-radius": radiusOf(layer) }),
      ...(placed && boxPlace(layer, context, true)),
    },
  };
}

/** Haze and focus for ramps that go on from them. */
const airCss = (opacity: number, blur: number): Declarations => ({
  "--lumbit-opacity": opacity === 1 ? undefined : opacity,
  "--lumbit-focus": blur === 0 ? undefined : `${blur}px`,
});
/** Whether a layer has ramps, by itself or under one of its rules. */
export const hasAnyWays = (layer: Layer) => [layer, ...(layer.rules ?? [])].some(hasWays);

/** How wide a text's widest line is, in font sizes, where it is fitted to a width and its letters change. */
const emsCss = (layer: TextLayer, given: LayerSettings, { ems }: LayerContext): Declarations =>
  isFitted(layer) && (given === layer || letterKeys.some((key) => key in given))
    ? { "--lumbit-ems": round(ems(layer)) }
    : {};
const letterKeys = ["fontFamily", "fontWeight", "fontStyle", "letterSpacing"];

/** How a layer drifts, as custom properties. */
export function motionCss({ direction }: Pick<LayerSettings, "direction">, speed?: number): Declarations {
  const { x, y } = directionVector(direction);
  return {
    "--lumbit-speed": speed === undefined ? undefined : round(speed),
    "--lumbit-ux": direction === undefined ? undefined : round(x),
    "--lumbit-uy": direction === undefined ? undefined : round(y),
  };
}

const radiusOf = (layer: Exclude<Layer, TextLayer>) =>
  isShape(layer) && layer.shape === "ellipse" ? "50%" : lengthCss(layer.radius, "x");

/** The place of a picture, shape or group. Sizes are written out: a browser takes a picture's from its file. */
function boxPlace(layer: Exclude<Layer, TextLayer>, context: LayerContext, asPane = false): Declarations {
  const place: Place = layer.place ?? { left: 0, right: 0, top: 0, bottom: 0 };
  const [x, y] = [placedAxis(place, "x"), placedAxis(place, "y")];
  const [width, height] = boxSize(layer, x.size, y.size, context);
  return {
    ...sizedAxis(x, width, "x"),
    ...sizedAxis(y, height, "y"),
    ...(asPane &&
      (context.slide
        ? { "--lumbit-t": calc(startOf(x, width, "x")), "--lumbit-ph": calc(width) }
        : { "--lumbit-t": calc(startOf(y, height, "y")), "--lumbit-ph": calc(height) })),
  };
}

function boxSize(
  layer: Layer,
  width: string | undefined,
  height: string | undefined,
  context: LayerContext,
): [string, string] {
  if (!isImage(layer)) return [width ?? "0px", height ?? "0px"];
  const own = context.sizeOf(layer.image) ?? { width: 1, height: 1 };
  const ratio = round(own.width / own.height);
  const wide = width ?? (height ? `(${height} * ${ratio})` : `${own.width}px`);
  return [wide, height ?? `(${wide} / ${ratio})`];
}

function textPlace(layer: TextLayer): Declarations {
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
function changedPlace(layer: TextLayer, given: LayerSettings, base: TextLayer): Declarations {
  const before = textPlace(base);
  return Object.fromEntries(
    Object.entries(textPlace(layer)).filter(([key, value]) =>
      given.place === undefined || (key === "max-width" && given.maxWidth === undefined)
        ? value !== before[key]
        : true,
    ),
  );
}

const groupSize = ({ size }: GroupLayer): Declarations => ({
  width: lengthCss(size?.width ?? "100%", "x"),
  height: lengthCss(size?.height ?? "100%", "y"),
});

/** A media query that holds where both do. */
const bothMedia = (media: string | undefined, other: string) =>
  media === undefined
    ? other
    : media
        .split(",")
        .map((query) => `${query.trim()} and ${other}`)
        .join(", ");

/** What plays the travel of a reel's slides. */
const rowRules = (row: string): StyleRule[] => [
  {
    selector: `[data-lumbit-driver="native"]${row}`,
    motion: "native",
    media: travelMedia,
    declarations: { ...nativeAnimations([rowWay], []), ...rowCss },
  },
  {
    selector: `[data-lumbit-driver="scripted"]${row}`,
    motion: "any",
    media: travelMedia,
    declarations: { ...scriptedAnimations([rowWay]), ...rowCss },
  },
];

/** What plays a layer's ramps, under either driver; by its rules too, where they change the ramps. */
function motionRules(
  layer: Layer,
  selector: string,
  { pushed, fixed, inner, slide }: LayerContext,
): StyleRule[] {
  const push = pushed && !overscans(layer) && depthOf(layer) !== Number.POSITIVE_INFINITY;
  const drifts = !inner && !fixed.includes(layer);
  const drift = drifts ? ["lumbit-drift", ...(push ? ["lumbit-push"] : [])] : [];
  const style = (changed: Layer, media?: string): StyleRule[] => {
    const filter = filterCss(changed);
    return [
      ...played(selector, waysOf(changed), drift, media, { filter }),
      ...(against
        ? played(selector, [slideWay, ...waysOf(changed)], [], bothMedia(media, travelMedia), {
            filter,
            ...slideLayerCss,
          })
        : []),
      ...(layerPieces(layer)
        ? // The haze is on the whole text.
          played(`${selector} > .lumbit-piece`, pieceWays(changed), [], media, { "--lumbit-opacity": 1 })
        : []),
    ];
  };
  const against = slide === "inside" && slidesAgainst(layer);
  const played = (
    own: string,
    ways: readonly Way[],
    drift: readonly string[],
    media: string | undefined,
    more: Declarations,
  ): StyleRule[] => [
    {
      selector: `[data-lumbit-driver="native"]${own}`,
      motion: "native",
      media,
      declarations: { ...nativeAnimations(ways, drift), ...more },
    },
    ...(ways.length > 0 || hasAnyWays(layer)
      ? [
          {
            selector: `[data-lumbit-driver="scripted"]${own}`,
            motion: "any" as const,
            media,
            declarations: { ...scriptedAnimations(ways), ...more },
          },
        ]
      : []),
  ];
  const changing = (layer.rules ?? []).filter(
    (rule) => "travel" in rule || "ramps" in rule || "hold" in rule,
  );
  const base = hasWays(layer) || push || against ? style(layer) : [];
  return [...base, ...changing.flatMap(({ media, ...rule }) => style(mergeMotion(layer, rule), media))];
}

/** The place of each piece of a text among them. */
function pieceRules(layer: Layer, selector: string): StyleRule[] {
  const kind = layerPieces(layer);
  return kind && isText(layer)
    ? lateness(layer.text, kind).map((late, index) => ({
        selector: `${selector} > .lumbit-piece:nth-child(${index + 1})`,
        declarations: { "--lumbit-late": round(late) },
      }))
    : [];
}

const hasWays = ({ travel, hold, ramps = [] }: LayerSettings) =>
  travel !== undefined || hold !== undefined || ramps.length > 0;

/** The keyframes of a layer's ramps and of those inside it, under all of its rules. */
export const layerKeyframes = (layer: Layer): string[] => [
  ...[layer, ...(layer.rules ?? []).map(({ media: _, ...rule }) => mergeMotion(layer, rule))].flatMap((own) =>
    keyframesCss([...waysOf(own), ...pieceWays(own)]),
  ),
  ...(isReel(layer) ? keyframesCss([rowWay, slideWay]) : []),
  ...(isGroup(layer) ? layer.layers.flatMap((inner) => layerKeyframes(inner as Layer)) : []),
];
