import {
  type AnyLayer,
  fittedWidth,
  heldOffset,
  isImage,
  isText,
  largestOpticalSize,
  type Moment,
  type PassageOf,
  type Pieces,
  parseMoment,
  piecesOf,
  positionIn,
  type Ramp,
  rampsOf,
  type Stop,
} from "../core/index.ts";
import { css, type Expression, print } from "./arithmetic.ts";
import { along, factor } from "./drift.ts";
import { driftAnimations } from "./drift-animations.ts";
import { variable } from "./properties.ts";
import { isContained } from "./safe.ts";
import { type Declarations, round } from "./tree.ts";

/** One way of a ramp, from a stop to the next: an animation that the scroll position plays. */
export interface Way {
  /** The name of its keyframes, the same for the same keyframes wherever they are used. */
  name: string;
  keyframes: string;
  of: PassageOf;
  over: readonly [Moment, Moment];
  easing: string;
  /** The first way holds before it begins; the others take over from the one before. */
  /** How much later its range is for the last piece of a text than for the first, as a share; 0 for what is one piece. */
  late?: number;
  fill: "both" | "forwards";
  composition: "replace" | "add";
}

/** What moves a layer along the scroll. */
type Moving = Pick<AnyLayer, "travel" | "ramps" | "hold">;

/** What a layer shows, whose properties CSS calls by different names: letters, of a size or fitted to a width, a picture, or its background. */
export type Shown = "letters" | "fitted letters" | "picture" | "background";

export function shownBy(layer: AnyLayer): Shown {
  if (isText(layer)) return fittedWidth(layer) === undefined ? "letters" : "fitted letters";
  return isImage(layer) ? "picture" : "background";
}

/** The ways of all ramps of a layer, and that against its drift while it holds. */
export function waysOf(layer: Moving, shown: Shown): Way[] {
  const { hold } = layer;
  const held: Way[] = hold
    ? [
        {
          name: "lumbit-hold",
          keyframes:
            "{ from { translate: 0px 0px; } to { translate: var(--lumbit-hold-x) var(--lumbit-hold-y); } }",
          of: "scene",
          over: hold,
          easing: "linear",
          fill: "both",
          composition: "add",
        },
      ]
    : [];
  const own = rampsOf(layer).filter((ramp) => !piecesOf(ramp));
  return [...own.flatMap((ramp) => rampWays(ramp, shown)), ...held];
}

/** What a text layer is split into by its ramps, by itself or under one of its rules. */
export const layerPieces = (layer: AnyLayer): Pieces | undefined =>
  [layer, ...(layer.rules ?? [])]
    .flatMap(({ ramps = [] }) => ramps)
    .map(piecesOf)
    .find(Boolean);

/**
 * The ways of the pieces of a text: each has an equal part of the whole way, the first from its beginning, the last up
 * to its end; what a piece's place among them is says its --lumbit-late, from 0 to 1. All stops are in the same range.
 */
export function pieceWays(layer: Moving, shown: Shown): Way[] {
  return rampsOf(layer)
    .filter(piecesOf)
    .flatMap((ramp) => {
      const { stagger = 0.5 } = ramp;
      const shares = ramp.stops.map(({ at }) => parseMoment(at).share);
      const [first = 0, last = 1] = [shares[0], shares.at(-1)];
      const late = stagger * (last - first);
      const shifted = ramp.stops.map((stop, index) => {
        const share = first + ((shares[index] ?? 0) - first) * (1 - stagger);
        const at: Moment = `${parseMoment(stop.at).range} ${round(share * 100)}%`;
        return { ...stop, at };
      });
      return rampWays({ ...ramp, stops: shifted }, shown).map((way) => ({ ...way, late }));
    });
}

/** How far a layer has to be moved against its drift to stay where it is between two moments. */
export function holdCss(hold: NonNullable<AnyLayer["hold"]>): Declarations {
  const [from, to] = hold.map((moment) => positionIn(css, moment, variable("v"), variable("h")));
  const { x, y } = heldOffset(css, along(factor), from as Expression, to as Expression);
  return { "--lumbit-hold-x": print(x), "--lumbit-hold-y": print(y) };
}

/** A ramp whatever its property is: its values as CSS has them. */
type WrittenRamp = Pick<Ramp, "property" | "of" | "axis"> & { stops: readonly Stop<string | number>[] };

function rampWays(ramp: WrittenRamp, shown: Shown): Way[] {
  const { property, stops, of = "scene" } = ramp;
  if (!stops.every(({ value }) => typeof value === "number" || isContained(String(value)))) return [];
  return stops.slice(1).map((to, index): Way => {
    const from = stops[index] as (typeof stops)[number];
    const offset = property === "x" || property === "y";
    // Offsets add up, so every way after the first goes on from nothing.
    const values =
      offset && index > 0
        ? ["0px", `calc(${lengthOf(to.value)} - ${lengthOf(from.value)})`]
        : [from.value, to.value];
    const [start, end] = values.map((value) => declaration(ramp, value, shown));
    const keyframes = `{ from { ${start} } to { ${end} } }`;
    return {
      name: `lumbit-${property}-${digest(keyframes)}`,
      keyframes,
      of,
      over: [from.at, to.at],
      easing: from.easing ?? "linear",
      fill: index === 0 ? "both" : "forwards",
      composition: offset ? "add" : "replace",
    };
  });
}

/** The keyframes of ways, each once. */
export const keyframesCss = (ways: readonly Way[]): string[] => [
  ...new Set(ways.map(({ name, keyframes }) => `@keyframes ${name} ${keyframes}`)),
];

const lengthOf = (value: string | number) => (value === 0 ? "0px" : value);

function declaration(ramp: WrittenRamp, value: string | number, shown: Shown): string {
  switch (ramp.property) {
    case "opacity":
      return `opacity: calc(var(--lumbit-opacity, 1) * ${value})`;
    case "blur":
    case "brightness":
    case "saturation":
      return `--lumbit-${ramp.property}: ${value}`;
    case "scale":
      return `scale: calc(${value} * var(--lumbit-cover))`;
    case "rotate":
      return `rotate: calc(var(--lumbit-rotate, 0deg) + ${value}deg)`;
    case "x":
      return `translate: ${lengthOf(value)} 0px`;
    case "y":
      return `translate: 0px ${lengthOf(value)}`;
    case "color":
      return `${shown === "letters" || shown === "fitted letters" ? "color" : "background-color"}: ${value}`;
    case "clip":
      return `clip-path: inset(${value})`;
    case "letterSpacing":
      return `letter-spacing: ${value}`;
    case "fontWeight":
      return `font-weight: ${value}`;
    case "backgroundPosition":
      return `${shown === "picture" ? "object-position" : "background-position"}: ${value}`;
    case "axis": {
      const fitted = shown === "fitted letters" && ramp.axis !== "opsz";
      return `font-variation-settings: ${fitted ? `"opsz" ${largestOpticalSize}, ` : ""}"${ramp.axis}" ${value}`;
    }
  }
}

/** What of a layer the filter is made from that its ramps change; nothing where they do not. */
export function filterCss(layer: Moving): string | undefined {
  const ramped = new Set(rampsOf(layer).map(({ property }) => property));
  const functions = [
    ramped.has("blur") && "blur(calc(var(--lumbit-focus, 0px) + var(--lumbit-blur)))",
    !ramped.has("blur") &&
      (ramped.has("brightness") || ramped.has("saturation")) &&
      "blur(var(--lumbit-focus, 0px))",
    ramped.has("brightness") && "brightness(var(--lumbit-brightness))",
    ramped.has("saturation") && "saturate(var(--lumbit-saturation))",
  ].filter(Boolean);
  return functions.length > 0 ? functions.join(" ") : undefined;
}

/** What plays an element's ways as the page scrolls, behind the animations that its drift needs; `follows`: on its own way. */
export const nativeAnimations = (
  ways: readonly Way[],
  drift: readonly string[],
  follows = false,
): Declarations =>
  driftAnimations(
    drift,
    follows,
    ways.map(({ name, easing, fill, composition, ...way }) => ({
      text: `${name} ${easing} ${fill}`,
      composition,
      ...timelineOf(way),
    })),
  );

/** The same ways, paused: the scripted driver sets their time. Where each belongs it reads off --lumbit-ways. */
export const scriptedAnimations = (ways: readonly Way[]): Declarations =>
  ways.length === 0
    ? { animation: "none", "--lumbit-ways": "none" }
    : {
        animation: ways.map(({ name, easing, fill }) => `${name} 1s ${easing} ${fill} paused`).join(", "),
        "animation-composition": ways.map(({ composition }) => composition).join(", "),
        "--lumbit-ways": ways
          .map(({ of, over, late }) => `${of} ${over.join(" ")}${late ? ` ${round(late)}` : ""}`)
          .join(", "),
      };

function timelineOf({ of, over, late }: Pick<Way, "of" | "over" | "late">) {
  const at = (share: number) =>
    late
      ? `calc(${round(share * 100)}% + var(--lumbit-late, 0) * ${round(late * 100)}%)`
      : `${round(share * 100)}%`;
  const moments = over.map((moment) => {
    const { range, share, past } = parseMoment(moment);
    return { range, far: past ? `${past.value}${past.unit}` : at(share) };
  });
  if (of === "page") return { timeline: "scroll()", range: moments.map(({ far }) => far).join(" ") };
  return {
    timeline: of === "layer" ? "view(block 0px)" : "--lumbit-scene",
    range: moments.map(({ range, far }) => `${range} ${far}`).join(" "),
  };
}

/** A short name for a text: FNV-1a, 32 bits. */
function digest(text: string): string {
  let hash = 0x811c9dc5;
  for (let index = 0; index < text.length; index++)
    hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
  return (hash >>> 0).toString(36);
}
