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
  type Grammar,
  layerAttributes,
  lookSettings,
  ramp,
  rampProperties,
  sceneAttributes,
  type TypeOf,
} from "../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Attributes } from "./attribute-rules.ts";
import { isWritten, readValue } from "./attribute-value.ts";

type Rows = typeof layerAttributes;

/** The attributes that make an element a layer. */
const making = [...Object.keys(layerAttributes).filter((name) => !/^travel-o/.test(name)), "rules"];

/** The layers in a scene of existing markup: what has a setting of a layer, outside of inner scenes. */
export const layersIn = (scene: Element): HTMLElement[] =>
  [
    ...scene.querySelectorAll<HTMLElement>(
      making.map((name) => `[data-lumbit-${name}]:not([data-lumbit-scene])`).join(),
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
  const shown = element instanceof HTMLImageElement ? "picture" : "letters";
  const slides = element.parentElement?.closest("[data-lumbit-reel]") && speedOf(own) !== 1;
  const ways = [...(slides ? [slideWay] : []), ...waysOf(own, shown)];
  const drift = slides ? [] : ["lumbit-drift"];
  const animations = (played: typeof ways, drift: string[]) =>
    native ? nativeAnimations(played, drift) : scriptedAnimations(played);
  const pieces = own.ramps?.map(piecesOf).find(Boolean);
  return {
    declarations: {
      ...motionCss(own, speedOf(own)),
      ...ownLook(own),
      "--lumbit-tilt": readValue(attributes, "tilt", layerAttributes.tilt.grammar),
      ...(own.hold && holdCss(own.hold)),
      ...(slides && slideLayerCss),
      ...(ways.length > 0 && {
        ...animations(ways, drift),
        ...(filterCss(own) && { filter: filterCss(own) }),
      }),
    },
    keyframes: keyframesCss([...ways, ...pieceWays(own, shown)]),
    paned: attributes.get("pane") !== undefined,
    ...(pieces && {
      pieces: { kind: pieces, style: animations(pieceWays(own, shown), []) },
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
  const read = <Key extends keyof Rows>(key: Key) =>
    readValue(attributes, key, layerAttributes[key].grammar as Grammar<TypeOf<Rows[Key]["grammar"]>>);
  const depth = read("depth");
  const speed = read("speed");
  if (depth !== undefined && speed !== undefined)
    throw new AttributeError(
      attributes.element,
      attributes.nameOf("speed"),
      "data-lumbit-depth is given too: each follows from the other (speed = 1 / (1 + depth)); keep one",
    );
  const moved: Travel = {
    x: read("travel-x"),
    y: read("travel-y"),
    over: read("travel-over"),
    of: read("travel-of"),
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
  const ramps = readValue(attributes, "ramps", layerAttributes.ramps.grammar) as readonly Ramp[] | undefined;
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
  const { settle, hold, relief, pan, push, sway, width } = sceneAttributes;
  return {
    "--lumbit-width": readValue(attributes, "width", width.grammar),
    "--lumbit-settle": settleCss(readValue(attributes, "settle", settle.grammar) ?? "auto"),
    "--lumbit-l": lengthText(readValue(attributes, "hold", hold.grammar)),
    "--lumbit-relief": readValue(attributes, "relief", relief.grammar),
    "--lumbit-pan": readValue(attributes, "pan", pan.grammar),
    "--lumbit-push": readValue(attributes, "push", push.grammar),
    "--lumbit-sway": lengthText(readValue(attributes, "sway", sway.grammar)),
  };
}

const lengthText = (length: Length | undefined) => (length === 0 ? "0px" : length);
