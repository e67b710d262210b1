import {
  type RampName,
  type RampProperty,
  rampProperties,
  type TypeOf,
  type travel,
  type ValuesOf,
} from "../settings/index.ts";
import { type Arithmetic, numbers } from "./arithmetic.ts";
import type { Drift } from "./drift.ts";
import { type Easing, eased } from "./easing.ts";
import type { AnyLayer } from "./layer.ts";
import { type Moment, type MomentContext, momentAt, type PassageOf } from "./moment.ts";
import type { Pieces } from "./pieces.ts";
import { resolveLength } from "./units.ts";

/** Movement from one offset to another, for those who think in distances. It is added to any drift. */
export type Travel = ValuesOf<typeof travel>;

/** A value that a ramp has at a moment, and how it goes on from there: evenly when it does not say. */
export interface Stop<Value> {
  at: Moment;
  value: Value;
  easing?: Easing;
}

type Rows = typeof rampProperties;

/** What a text's pieces may have one after the other. */
type InPieces<Name extends RampName> = Rows[Name] extends { inPieces: true }
  ? {
      /** Lines are those on the reader's screen. */
      pieces?: Pieces;
      /** How much of the whole way passes until the last piece begins, 0..1; 0.5 by default. */
      stagger?: number;
    }
  : { pieces?: never; stagger?: never };

/** A property that follows the scroll between moments, and back. */
export type Ramp = {
  [Name in RampName]: {
    property: Name;
    /** Two or more, in the order in which they are passed. */
    stops: readonly [Stop<ValueIn<Name>>, Stop<ValueIn<Name>>, ...Stop<ValueIn<Name>>[]];
    /** Whose passage the moments belong to: the scene's (default), the layer's own, or the page's scroll range. */
    of?: PassageOf;
    /** Of the property `axis` the tag of the font's axis. */
    axis?: Name extends "axis" ? string : never;
  } & (Name extends "axis" ? { axis: string } : unknown) &
    InPieces<Name>;
}[RampName];

type ValueIn<Name extends RampName> = TypeOf<Rows[Name]["grammar"]>;

/** The properties that a pose tells of. */
export type PoseProperty = {
  [Name in RampName]: Rows[Name] extends { rest: number } ? Name : never;
}[RampName];

/** The properties of a pose that ramps may change, with what they are without one. */
export const rampDefaults = Object.fromEntries(
  (Object.entries(rampProperties) as [RampName, RampProperty][]).flatMap(([name, { rest }]) =>
    rest === undefined ? [] : [[name, rest]],
  ),
) as Record<PoseProperty, 0 | 1>;

/** A ramp in numbers: values in px or without unit, and where in the scene's passage each lies, in px. */
export interface ResolvedRamp {
  property: PoseProperty;
  stops: { at: number; value: number; easing: Easing }[];
}

/** All ramps of a layer; a travel is two in short. */
export function rampsOf({ travel, ramps = [] }: Pick<AnyLayer, "travel" | "ramps">): readonly Ramp[] {
  if (!travel) return ramps;
  const [start, end] = travel.over ?? (["cover 0%", "cover 100%"] as const);
  const { of } = travel;
  const axes = (["x", "y"] as const).flatMap((property): Ramp[] => {
    const offsets = travel[property];
    return offsets
      ? [
          {
            property,
            of,
            stops: [
              { at: start, value: offsets[0] },
              { at: end, value: offsets[1] },
            ],
          },
        ]
      : [];
  });
  return [...axes, ...ramps];
}

/** What a ramp splits its text into; nothing where it is one of the whole layer. */
export const piecesOf = (ramp: Ramp): Pieces | undefined => ("pieces" in ramp ? ramp.pieces : undefined);

/** Those ramps of a layer that a pose tells of, at a viewport. */
export function resolveRamps(layer: AnyLayer, context: MomentContext): ResolvedRamp[] {
  const { viewport, box } = context;
  return rampsOf(layer).flatMap((ramp): ResolvedRamp[] => {
    const { property, stops, of = "scene" } = ramp;
    if (!(property in rampDefaults) || piecesOf(ramp)) return [];
    const percent = property === "x" ? box.width : box.height;
    return [
      {
        property: property as PoseProperty,
        stops: stops.map(({ at, value, easing = "linear" }) => ({
          at: momentAt(at, of, context),
          value: typeof value === "number" ? value : resolveLength(value, { viewport, percent }),
          easing,
        })),
      },
    ];
  });
}

/** How far a layer that drifts has to be moved to stay where it is on the screen from one position to another. */
export function heldOffset<T>(a: Arithmetic<T>, drift: Drift<T>, from: T, to: T): Drift<T> {
  const length = a.max(a.px(0), a.subtract(to, from));
  return {
    x: a.multiply(a.number(-1), drift.x, length),
    y: a.multiply(a.subtract(a.number(1), drift.y), length),
  };
}

/** What keeps a layer that drifts where it is on the screen from one moment to another: offsets against its movement. */
export function resolveHold(
  { hold }: Pick<AnyLayer, "hold">,
  drift: Drift,
  context: MomentContext,
): ResolvedRamp[] {
  if (!hold) return [];
  const [from, to] = hold.map((moment) => momentAt(moment, "scene", context)) as [number, number];
  const { x, y } = heldOffset(numbers, drift, from, to);
  const offset = (property: "x" | "y", value: number): ResolvedRamp => ({
    property,
    stops: [
      { at: from, value: 0, easing: "linear" },
      { at: Math.max(from, to), value, easing: "linear" },
    ],
  });
  return [offset("x", x), offset("y", y)];
}

/**
 * A ramp's value at position p of the scene's passage: that of the last stop passed, on its way to the next. Before
 * the first stop it is the first value, after the last the last.
 */
export function rampAt({ stops }: Pick<ResolvedRamp, "stops">, p: number): number {
  let index = 0;
  for (let next = 1; next < stops.length - 1; next++) if (p >= (stops[next]?.at ?? 0)) index = next;
  const [from, to] = [stops[index], stops[index + 1]];
  if (!from || !to) return from?.value ?? 0;
  const share =
    to.at === from.at ? Number(p >= to.at) : Math.min(Math.max((p - from.at) / (to.at - from.at), 0), 1);
  return from.value + (to.value - from.value) * eased(from.easing, share);
}

/** What ramps make of every property at position p; those of one property add up, of factors multiply. */
export function rampedAt(ramps: readonly ResolvedRamp[], p: number): Record<PoseProperty, number> {
  const values: Record<PoseProperty, number> = { ...rampDefaults };
  for (const ramp of ramps) {
    const value = rampAt(ramp, p);
    if (rampDefaults[ramp.property] === 1) values[ramp.property] *= value;
    else values[ramp.property] += value;
  }
  return values;
}
