import { speedOf } from "../core/depth.ts";
import type { Depth, Direction, Layer, Moment, Motion, Pieces, Ramp, Settle, Travel } from "../core/index.ts";
import { piecesOf } from "../core/ramp.ts";
import {
  type Declarations,
  filterCss,
  holdCss,
  keyframesCss,
  motionCss,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  settleCss,
  slideLayerCss,
  slideWay,
  waysOf,
} from "../markup/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Attributes } from "./attribute-rules.ts";
import { isMoment } from "./position.ts";

/** The attributes that make an element a layer. */
const layerAttributes = [
  "depth",
  "speed",
  "direction",
  "travel-x",
  "travel-y",
  "ramps",
  "hold",
  "tilt",
  "pane",
  "rules",
];

/** The layers in a scene of existing markup: what has a setting of a layer, outside of inner scenes. */
export const layersIn = (scene: Element): HTMLElement[] =>
  [
    ...scene.querySelectorAll<HTMLElement>(
      layerAttributes.map((name) => `[data-lumbit-${name}]:not([data-lumbit-scene])`).join(),
    ),
  ].filter((element) => element.parentElement?.closest("[data-lumbit-scene]") === scene);

/** What a layer's attributes ask for. */
export interface LayerStyle {
  /** Its animations for the driver included. */
  declarations: Declarations;
  keyframes: string[];
  /** What its text is split into, and the style of each piece. */
  pieces?: { kind: Pieces; style: Declarations };
  /** Whether the box around it is its pane. */
  paned?: boolean;
}

export function layerStyle(attributes: Attributes, native: boolean): LayerStyle {
  const { element } = attributes;
  const settings = layerSettings(attributes);
  const kind = element instanceof HTMLImageElement ? { image: element.src } : { text: "" };
  const layer = { ...kind, ...settings } as Layer;
  const slides = element.parentElement?.closest("[data-lumbit-reel]") && speedOf(settings) !== 1;
  const ways = [...(slides ? [slideWay] : []), ...waysOf(layer)];
  const drift = slides ? [] : ["lumbit-drift"];
  const animations = (own: typeof ways, drift: string[]) =>
    native ? nativeAnimations(own, drift) : scriptedAnimations(own);
  const pieces = settings.ramps?.map(piecesOf).find(Boolean);
  return {
    declarations: {
      ...motionCss(settings, speedOf(settings)),
      "--lumbit-tilt": read(
        attributes,
        "tilt",
        (text) => numberIf(text, (value) => value >= 0 && value <= 45),
        "a number of degrees from 0 to 45",
      ),
      ...(settings.hold && holdCss(settings.hold)),
      ...(slides && slideLayerCss),
      ...(ways.length > 0 && { ...animations(ways, drift), filter: filterCss(settings) }),
    },
    keyframes: keyframesCss([...ways, ...pieceWays(layer)]),
    paned: attributes.get("pane") !== undefined,
    ...(pieces && {
      pieces: { kind: pieces, style: animations(pieceWays(layer), []) },
    }),
  };
}

function layerSettings(
  attributes: Attributes,
): Motion & Pick<Layer, "direction" | "travel" | "ramps" | "hold"> {
  const depth = read(attributes, "depth", parseDepth, 'a number above -1, or "horizon"');
  const speed = read(
    attributes,
    "speed",
    (text) => numberIf(text, (value) => value >= 0),
    "a number of 0 or more",
  );
  if (depth !== undefined && speed !== undefined)
    throw new AttributeError(
      attributes.element,
      attributes.nameOf("speed"),
      String(speed),
      "allowed beside data-lumbit-depth; keep one",
    );
  const travel: Travel = {
    x: read(attributes, "travel-x", parseOffsets, 'two lengths such as "0px -40%"'),
    y: read(attributes, "travel-y", parseOffsets, 'two lengths such as "0px -40%"'),
    over: read(attributes, "travel-over", parseOver, 'two moments such as "entry 0% exit 100%"'),
    of: read(
      attributes,
      "travel-of",
      (text) => oneOf(text, ["scene", "layer", "page"] as const),
      '"scene", "layer" or "page"',
    ),
  };
  return {
    ...(speed === undefined ? { depth } : { speed }),
    direction: read(
      attributes,
      "direction",
      parseDirection,
      '"down", "up", "left", "right" or an angle in degrees',
    ),
    ...((travel.x || travel.y) && { travel }),
    ramps: read(attributes, "ramps", parseRamps, rampsAllowed),
    hold: read(attributes, "hold", parseOver, 'two moments such as "entry 100% exit 0%"'),
  };
}

/** The style that a scene's attributes ask for. */
export function sceneStyle(attributes: Attributes): Declarations {
  const number = (name: string) => read(attributes, name, (text) => numberIf(text, () => true), "a number");
  const settle = read(
    attributes,
    "settle",
    parseSettle,
    '"auto", "enter", "top", "middle", "bottom", "leave" or a share from 0 to 1',
  );
  return {
    "--lumbit-width": read(
      attributes,
      "width",
      (text) => oneOf(text, ["full"] as const),
      '"full", from edge to edge of the page',
    ),
    "--lumbit-settle": settleCss(settle ?? "auto"),
    "--lumbit-l": read(attributes, "hold", parseExtent, 'a length such as "120vh"'),
    "--lumbit-relief": number("relief"),
    "--lumbit-pan": number("pan"),
    "--lumbit-push": number("push"),
    "--lumbit-sway": read(attributes, "sway", parseExtent, 'a length such as "40px"'),
  };
}

function read<T>(
  attributes: Attributes,
  name: string,
  parse: (text: string) => T | undefined,
  allowed: string,
): T | undefined {
  const text = attributes.get(name);
  if (text === undefined) return undefined;
  const value = parse(text);
  if (value === undefined)
    throw new AttributeError(attributes.element, attributes.nameOf(name), text, allowed);
  return value;
}

const numberIf = (text: string, holds: (value: number) => boolean) => {
  const value = Number(text);
  return text !== "" && Number.isFinite(value) && holds(value) ? value : undefined;
};
const oneOf = <T extends string>(text: string, words: readonly T[]) => words.find((word) => word === text);
const parseExtent = (text: string) =>
  /^(\d+\.?\d*|\.\d+)(px|rem|[sld]?v[wh])$/.test(text) ? text : undefined;
const parseDepth = (text: string): Depth | undefined =>
  text === "horizon" ? text : numberIf(text, (value) => value > -1);
const parseDirection = (text: string): Direction | undefined =>
  oneOf(text, ["down", "up", "left", "right"] as const) ?? numberIf(text, () => true);
const parseSettle = (text: string): Settle | undefined =>
  oneOf(text, ["auto", "enter", "top", "middle", "bottom", "leave"] as const) ??
  numberIf(text, (value) => value >= 0 && value <= 1);
const parseOffsets = (text: string) =>
  /^\S+\s+\S+$/.test(text) &&
  text.split(/\s+/).every((part) => CSS.supports("width", `calc(1px * 0 + ${part === "0" ? "0px" : part})`))
    ? (text.split(/\s+/) as unknown as NonNullable<Travel["x"]>)
    : undefined;
const rampsAllowed =
  'a JSON list of ramps such as [{"property": "opacity", "stops": [{"at": "exit 0%", "value": 1}, {"at": "exit 70%", "value": 0}]}]';

function parseRamps(text: string): Ramp[] | undefined {
  let ramps: unknown;
  try {
    ramps = JSON.parse(text);
  } catch {
    return undefined;
  }
  return Array.isArray(ramps) && ramps.every(isRamp) ? ramps : undefined;
}

/** Whether a value is a ramp whose every stop is a moment and a value that its property can have. */
function isRamp(value: unknown): value is Ramp {
  const { property, stops, of = "scene", axis, pieces = "words", stagger = 0 } = Object(value);
  const css = Object.hasOwn(rampValues, String(property))
    ? rampValues[property as Ramp["property"]]
    : undefined;
  return (
    css !== undefined &&
    ["scene", "layer", "page"].includes(of) &&
    ["lines", "words", "letters"].includes(pieces) &&
    stagger >= 0 &&
    stagger < 1 &&
    (property !== "axis" || /^[\x20-\x7e]{4}$/.test(String(axis))) &&
    Array.isArray(stops) &&
    stops.length > 1 &&
    stops.every(
      ({ at, value, easing = "linear" }) =>
        isMoment(String(at)) &&
        CSS.supports(...css(value)) &&
        CSS.supports("animation-timing-function", String(easing)),
    )
  );
}

/** The declaration that a value of a ramp comes to. */
const rampValues: Record<Ramp["property"], (value: unknown) => [property: string, value: string]> = {
  opacity: (value) => ["opacity", `${value}`],
  scale: (value) => ["scale", `${value}`],
  rotate: (value) => ["rotate", `${value}deg`],
  blur: (value) => ["filter", `blur(${value})`],
  brightness: (value) => ["filter", `brightness(${value})`],
  saturation: (value) => ["filter", `saturate(${value})`],
  x: (value) => ["translate", `${value}`],
  y: (value) => ["translate", `0px ${value}`],
  color: (value) => ["color", `${value}`],
  clip: (value) => ["clip-path", `inset(${value})`],
  letterSpacing: (value) => ["letter-spacing", `${value}`],
  fontWeight: (value) => ["font-weight", `${value}`],
  backgroundPosition: (value) => ["object-position", `${value}`],
  axis: (value) => ["font-variation-settings", `"wght" ${value}`],
};

const moment = String.raw`(?:cover|contain|entry|exit|entry-crossing|exit-crossing)\s+-?[\d.]+%`;

function parseOver(text: string): [Moment, Moment] | undefined {
  const match = new RegExp(`^(${moment})\\s+(${moment})$`).exec(text);
  return match ? [match[1] as Moment, match[2] as Moment] : undefined;
}
