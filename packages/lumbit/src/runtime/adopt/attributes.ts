import { speedOf } from "../../core/depth.ts";
import type { Layer, Length, Motion, PageLook, Pieces, Ramp, Travel } from "../../core/index.ts";
import { piecesOf } from "../../core/ramp.ts";
import {
  blendCss,
  cropWay,
  type Declarations,
  filterCss,
  holdCss,
  keyframesCss,
  lookCss,
  motionCss,
  nativeAnimations,
  ownSettleCss,
  pieceWays,
  round,
  scriptedAnimations,
  settleCss,
  slideLayerCss,
  slideWay,
  tiltCss,
  waysOf,
} from "../../markup/index.ts";
import {
  type Grammar,
  layerAttributes,
  lookSettings,
  ramp,
  rampProperties,
  sceneAttributes,
  type TypeOf,
} from "../../settings/index.ts";
import { AttributeError } from "./attribute-error.ts";
import type { Attributes } from "./attribute-rules.ts";
import { isWritten, readValue } from "./attribute-value.ts";
import { reelSettings } from "./reel.ts";

type Rows = typeof layerAttributes;

/** The attributes that make an element a layer. */
const making = [
  ...Object.keys(layerAttributes).filter(
    (name) => !/^travel-o|^subject|^settle|^tilt-|^perspective/.test(name),
  ),
  "rules",
];

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
  /** The marks of one that settles by its own passage. */
  settles?: string[];
  /** What its text is split into, and the style of each piece. */
  pieces?: { kind: Pieces; style: Declarations };
  /** Whether it is a picture that moves inside the box that the page gave it. */
  paned?: boolean;
}

/** What a layer's style depends on besides its attributes. */
export interface LayerSurroundings {
  native: boolean;
  /** Whether it is a pane that is cropped. */
  cropped: boolean;
  /** Haze and focus of its scene. */
  look: Pick<PageLook, "haze" | "focus">;
}

export function layerStyle(attributes: Attributes, { native, cropped, look }: LayerSurroundings): LayerStyle {
  const { element } = attributes;
  const own = layerSettings(attributes);
  const shown = element.localName === "img" ? "picture" : "letters";
  const inSlide = element.parentElement?.closest<HTMLElement>("[data-lumbit-reel]");
  const slides = inSlide && speedOf(own) !== 1;
  const ways = [...(slides ? [slideWay, ...(cropped ? [cropWay] : [])] : []), ...waysOf(own, shown)];
  const drift = slides ? [] : ["lumbit-drift", ...(cropped ? ["lumbit-crop"] : [])];
  const animations = (played: typeof ways, drift: string[]) =>
    native ? nativeAnimations(played, drift, settle !== undefined && !paned) : scriptedAnimations(played);
  const pieces = own.ramps?.map(piecesOf).find(Boolean);
  const settle = readValue(attributes, "settle", layerAttributes.settle.grammar);
  const paned = isPaned(attributes, own);
  const subject = readValue(attributes, "subject", layerAttributes.subject.grammar);
  return {
    declarations: {
      ...motionCss(own, speedOf(own)),
      ...ownLook(own, look),
      ...(settle !== undefined && ownSettleCss(settle, !paned)),
      ...tiltCss({
        tilt: readValue(attributes, "tilt", layerAttributes.tilt.grammar),
        tiltOver: readValue(attributes, "tilt-over", layerAttributes["tilt-over"].grammar),
        perspective: readValue(attributes, "perspective", layerAttributes.perspective.grammar),
      }),
      "object-position": subject?.map((share) => `${round(share * 100)}%`).join(" "),
      ...(own.hold && holdCss(own.hold)),
      ...(slides && inSlide && slideLayerCss(reelSettings(inSlide, () => {}) ?? {})),
      ...((ways.length > 0 || (native && cropped)) && {
        ...animations(ways, drift),
        ...(filterCss(own) && { filter: filterCss(own) }),
      }),
    },
    // Those of slides are the same of all layers.
    keyframes: keyframesCss(
      [...ways, ...pieceWays(own, shown)].filter((way) => way !== cropWay && way !== slideWay),
    ),
    paned,
    ...(settle !== undefined && { settles: paned ? ["settles"] : ["settles", "follows"] }),
    ...(pieces && {
      pieces: { kind: pieces, style: animations(pieceWays(own, shown), []) },
    }),
  };
}

/** Whether a layer is its own pane. What cannot be one, or would leave a gap in it, is told. */
function isPaned(attributes: Attributes, { travel, hold }: ReturnType<typeof layerSettings>): boolean {
  if (!readValue(attributes, "pane", layerAttributes.pane.grammar)) return false;
  const { element } = attributes;
  const wrong = !element.matches("img, picture, video, canvas, svg, object, iframe")
    ? "a pane is for pictures; give it to the <img>, or the element a data-lumbit-background-depth if its picture is a CSS background"
    : travel
      ? "a picture in a pane moves by its depth, from which its overscan follows; give it a depth, or leave the pane or the travel away"
      : hold
        ? "a picture in a pane stays with its pane; leave the pane or the hold away"
        : undefined;
  if (wrong) attributes.complain(new AttributeError(element, attributes.nameOf("pane"), wrong));
  return !wrong;
}

/** The look that is asked for; what is not said stays as the page has it. */
function ownLook(
  own: Motion & Pick<Layer, keyof typeof lookSettings>,
  look: LayerSurroundings["look"],
): Declarations {
  const plain = lookCss({});
  const asked = Object.entries(lookCss(own, look)).filter(([name, value]) => value !== plain[name]);
  return { ...Object.fromEntries(asked), ...blendCss(own) };
}

function layerSettings(
  attributes: Attributes,
): Motion & Pick<Layer, "direction" | "sideways" | "travel" | "ramps" | "hold" | keyof typeof lookSettings> {
  const read = <Key extends keyof Rows>(key: Key) =>
    readValue(attributes, key, layerAttributes[key].grammar as Grammar<TypeOf<Rows[Key]["grammar"]>>);
  const depth = read("depth");
  const speed = read("speed");
  if (depth !== undefined && speed !== undefined)
    attributes.complain(
      new AttributeError(
        attributes.element,
        attributes.nameOf("speed"),
        "data-lumbit-depth is given too: each follows from the other (speed = 1 / (1 + depth)); keep one",
      ),
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
    sideways: read("sideways"),
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

/** Ramps, with a value at every stop that their property can have; those that are not so are told and left out. */
function readRamps(attributes: Attributes): readonly Ramp[] | undefined {
  const ramps = readValue(attributes, "ramps", layerAttributes.ramps.grammar) as readonly Ramp[] | undefined;
  return ramps?.filter(({ property, axis, stops }, index) => {
    const wrong = (path: (string | number)[], found: unknown, allowed: string) =>
      attributes.complain(
        AttributeError.of(attributes.element, attributes.nameOf("ramps"), {
          path: [index, ...path],
          found,
          allowed,
        }),
      );
    const { grammar } = rampProperties[property];
    if (property === "axis" && axis === undefined) wrong(["axis"], undefined, ramp.axis.grammar.allowed);
    const at = stops.findIndex(({ value }) => !isWritten(grammar, value));
    if (at >= 0) wrong(["stops", at, "value"], stops[at]?.value, grammar.allowed);
    return at < 0 && (property !== "axis" || axis !== undefined);
  });
}

/** The haze and focus of a scene. */
export const sceneLook = (attributes: Attributes): LayerSurroundings["look"] => ({
  haze: readValue(attributes, "haze", sceneAttributes.haze.grammar),
  focus: readValue(attributes, "focus", sceneAttributes.focus.grammar) as PageLook["focus"],
});

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
