import { speedOf } from "../../../core/depth.ts";
import type { PageLook, Ramp, Travel } from "../../../core/index.ts";
import { piecesOf } from "../../../core/ramp.ts";
import {
  cropWay,
  filterCss,
  holdCss,
  keyframesCss,
  lookCss,
  nativeAnimations,
  ownSettleCss,
  pieceWays,
  scriptedAnimations,
  settleCss,
  slideLayerCss,
  slideWay,
  tiltCss,
  waysOf,
} from "../../../markup/index.ts";
import { type layerAttributes, ramp, rampProperties, type sceneAttributes } from "../../../settings/index.ts";
import { type Attributes, type Rows, read } from "../attributes.ts";
import {
  asked,
  type LayerStyle,
  type LayerSurroundings,
  plainSettings,
  plainStyle,
  sceneStyle,
} from "../plain-style.ts";
import { isWritten, readJson } from "./json-value.ts";
import { reelSettings } from "./reel.ts";

/** All that a layer's attributes may ask for. */
export function layerStyle(
  attributes: Attributes<typeof layerAttributes>,
  surroundings: LayerSurroundings,
): LayerStyle {
  const { native, cropped, pushed, look } = surroundings;
  const { element } = attributes;
  const plain = plainStyle(attributes, surroundings);
  const own = { ...plainSettings(attributes), ...changes(attributes) };
  const paned = plain.paned && staysInPane(attributes, own);
  const shown = element.localName === "img" ? "picture" : "letters";
  const inSlide = element.parentElement?.closest<HTMLElement>("[data-lumbit-reel]");
  const slides = inSlide && speedOf(own) !== 1;
  const ways = [...(slides ? [slideWay, ...(cropped ? [cropWay] : [])] : []), ...waysOf(own, shown)];
  const nears = pushed && !inSlide && !paned && speedOf(own) !== 0;
  const drift = slides
    ? []
    : ["lumbit-drift", ...(nears ? ["lumbit-push"] : []), ...(cropped ? ["lumbit-crop"] : [])];
  const settle = read(attributes, "settle");
  const follows = settle !== undefined && !paned;
  const animations = (played: typeof ways, drift: string[]) =>
    native ? nativeAnimations(played, drift, follows) : scriptedAnimations(played);
  const pieces = own.ramps?.map(piecesOf).find(Boolean);
  return {
    declarations: {
      ...plain.declarations,
      ...asked(lookCss(own, look)),
      ...(settle !== undefined && ownSettleCss(settle, follows)),
      ...tiltCss({
        tilt: read(attributes, "tilt"),
        tiltOver: read(attributes, "tilt-over"),
        perspective: read(attributes, "perspective"),
      }),
      ...(own.hold && holdCss(own.hold)),
      ...(slides && inSlide && slideLayerCss(reelSettings(inSlide, () => {}) ?? {})),
      ...((ways.length > 0 || (native && (cropped || nears))) && {
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
    ...(pieces && { pieces: { kind: pieces, style: animations(pieceWays(own, shown), []) } }),
  };
}

/** Whether a picture in a pane has nothing that would leave a gap in it; what does is told. */
function staysInPane(
  { element, complain, nameOf }: Attributes,
  { travel, hold }: ReturnType<typeof changes>,
): boolean {
  const said = travel
    ? "a picture in a pane moves by its depth, from which its overscan follows; give it a depth, or leave the pane or the travel away"
    : hold && "a picture in a pane stays with its pane; leave the pane or the hold away";
  if (said) complain({ element, name: nameOf("pane"), said });
  return !said;
}

/** What changes along a layer's way. */
function changes(attributes: Attributes<typeof layerAttributes>) {
  const moved: Travel = {
    x: read(attributes, "travel-x"),
    y: read(attributes, "travel-y"),
    over: read(attributes, "travel-over"),
    of: read(attributes, "travel-of"),
  };
  return {
    ...((moved.x || moved.y) && { travel: moved }),
    ramps: readRamps(attributes),
    hold: read(attributes, "hold"),
  };
}

/** Ramps, with a value at every stop that their property can have; those that are not so are told and left out. */
function readRamps(attributes: Attributes<typeof layerAttributes>): readonly Ramp[] | undefined {
  const ramps = readJson(attributes, "ramps") as readonly Ramp[] | undefined;
  const { element, complain, nameOf } = attributes;
  return ramps?.filter(({ property, axis, stops }, index) => {
    const wrong = (path: (string | number)[], found: unknown, allowed: string) =>
      complain({ element, name: nameOf("ramps"), fault: { path: [index, ...path], found, allowed } });
    const { grammar } = rampProperties[property];
    if (property === "axis" && axis === undefined) wrong(["axis"], undefined, ramp.axis.grammar.allowed);
    const at = stops.findIndex(({ value }) => !isWritten(grammar, value));
    if (at >= 0) wrong(["stops", at, "value"], stops[at]?.value, grammar.allowed);
    return at < 0 && (property !== "axis" || axis !== undefined);
  });
}

/** The haze and focus of a scene. */
export const lookOf = (attributes: Attributes<typeof sceneAttributes>): LayerSurroundings["look"] => ({
  haze: read(attributes, "haze"),
  focus: readJson(attributes, "focus") as PageLook["focus"],
});

/** All that a scene's attributes may ask for. */
export const wholeSceneStyle = (attributes: Attributes<typeof sceneAttributes>) => ({
  // Its settle moment may be a share besides.
  ...sceneStyle(attributes as Attributes<Rows> as Parameters<typeof sceneStyle>[0]),
  "--lumbit-settle": settleCss(read(attributes, "settle") ?? "auto"),
  "--lumbit-push": read(attributes, "push"),
  "--lumbit-width": read(attributes, "width"),
});
