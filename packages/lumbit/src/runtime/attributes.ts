import { speedOf } from "../core/depth.ts";
import type { Layer, Length, Motion, Pieces, Ramp, Travel } from "../core/index.ts";
import { piecesOf } from "../core/ramp.ts";
import {
  blendCss,
  type Declarations,
  filterCss,
  holdCss,
  keyframesCss,
  lookCss,
  motionCss,
  nativeAnimations,
  pieceWays,
  scriptedAnimations,
  settleCss,
  slideLayerCss,
  slideWay,
  waysOf,
} from "../markup/index.ts";
import {
  choice,
  type Grammar,
  type LayerRows,
  lookSettings,
  ramp,
  rampProperties,
  sceneSettings,
  layerSettings as settings,
  type TypeOf,
  travel,
} from "../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Attributes } from "./attribute-rules.ts";
import { isWritten, readValue } from "./attribute-value.ts";

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
  ...Object.keys(lookSettings),
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
  const own = layerSettings(attributes);
  const kind = element instanceof HTMLImageElement ? { image: element.src } : { text: "" };
  const layer = { ...kind, ...own } as Layer;
  const slides = element.parentElement?.closest("[data-lumbit-reel]") && speedOf(own) !== 1;
  const ways = [...(slides ? [slideWay] : []), ...waysOf(layer)];
  const drift = slides ? [] : ["lumbit-drift"];
  const animations = (played: typeof ways, drift: string[]) =>
    native ? nativeAnimations(played, drift) : scriptedAnimations(played);
  const pieces = own.ramps?.map(piecesOf).find(Boolean);
  return {
    declarations: {
      ...motionCss(own, speedOf(own)),
      ...ownLook(own),
      "--lumbit-tilt": readValue(attributes, "tilt", settings.tilt.grammar),
      ...(own.hold && holdCss(own.hold)),
      ...(slides && slideLayerCss),
      ...(ways.length > 0 && {
        ...animations(ways, drift),
        ...(filterCss(own) && { filter: filterCss(own) }),
      }),
    },
    keyframes: keyframesCss([...ways, ...pieceWays(layer)]),
    paned: attributes.get("pane") !== undefined,
    ...(pieces && {
      pieces: { kind: pieces, style: animations(pieceWays(layer), []) },
    }),
  };
}

/** The look that is asked for; what is not said stays as the page has it. */
function ownLook(own: Pick<Layer, keyof typeof lookSettings>): Declarations {
  const plain = lookCss({});
  const asked = Object.entries(lookCss(own)).filter(([name, value]) => value !== plain[name]);
  return { ...Object.fromEntries(asked), ...blendCss(own) };
}

function layerSettings(
  attributes: Attributes,
): Motion & Pick<Layer, "direction" | "travel" | "ramps" | "hold" | keyof typeof lookSettings> {
  const read = <Key extends keyof LayerRows>(key: Key) =>
    readValue(attributes, key, settings[key].grammar as Grammar<TypeOf<LayerRows[Key]["grammar"]>>);
  const depth = read("depth");
  const speed = read("speed");
  if (depth !== undefined && speed !== undefined)
    throw new AttributeError(
      attributes.element,
      attributes.nameOf("speed"),
      "data-lumbit-depth is given too: each follows from the other (speed = 1 / (1 + depth)); keep one",
    );
  const moved: Travel = {
    x: readValue(attributes, "travel-x", travel.x.grammar),
    y: readValue(attributes, "travel-y", travel.y.grammar),
    over: readValue(attributes, "travel-over", travel.over.grammar),
    of: readValue(attributes, "travel-of", travel.of.grammar),
  };
  return {
    ...(speed === undefined ? { depth } : { speed }),
    ...look(attributes),
    direction: read("direction"),
    ...((moved.x || moved.y) && { travel: moved }),
    ramps: readRamps(attributes),
    hold: read("hold"),
  };
}

/** How a layer looks by itself. */
const look = (attributes: Attributes): Pick<Layer, keyof typeof lookSettings> =>
  Object.fromEntries(
    Object.entries(lookSettings).map(([key, { grammar }]) => [
      key,
      readValue<unknown>(attributes, key, grammar),
    ]),
  );

/** Ramps, with a value at every stop that their property can have. */
function readRamps(attributes: Attributes): readonly Ramp[] | undefined {
  const ramps = readValue(attributes, "ramps", settings.ramps.grammar) as readonly Ramp[] | undefined;
  for (const [index, { property, axis, stops }] of (ramps ?? []).entries()) {
    const fault =
      (...path: (string | number)[]) =>
      (found: unknown, allowed: string) =>
        AttributeError.of(attributes.element, attributes.nameOf("ramps"), {
          path: [index, ...path],
          found,
          allowed,
        });
    if (property === "axis" && axis === undefined) throw fault("axis")(undefined, ramp.axis.grammar.allowed);
    const { grammar } = rampProperties[property];
    for (const [at, { value }] of stops.entries())
      if (!isWritten(grammar, value)) throw fault("stops", at, "value")(value, grammar.allowed);
  }
  return ramps;
}

/** The style that a scene's attributes ask for. */
export function sceneStyle(attributes: Attributes): Declarations {
  const { settle, hold, relief, camera } = sceneSettings;
  const { pan, push, sway } = camera.settings;
  return {
    "--lumbit-width": readValue(attributes, "width", fullWidth),
    "--lumbit-settle": settleCss(readValue(attributes, "settle", settle.grammar) ?? "auto"),
    "--lumbit-l": lengthText(readValue(attributes, "hold", hold.grammar)),
    "--lumbit-relief": readValue(attributes, "relief", relief.grammar),
    "--lumbit-pan": readValue(attributes, "pan", pan.grammar),
    "--lumbit-push": readValue(attributes, "push", push.grammar),
    "--lumbit-sway": lengthText(readValue(attributes, "sway", sway.grammar)),
  };
}

/** Columns are of built pages. */
const fullWidth = choice(["full"], '"full", from edge to edge of the page');

const lengthText = (length: Length | undefined) => (length === 0 ? "0px" : length);
