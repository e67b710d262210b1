import type { RampName, rampProperties, TypeOf, travel, ValuesOf } from "../settings/index.ts";
import type { Arithmetic } from "./arithmetic.ts";
import type { Drift } from "./drift.ts";
import type { Easing } from "./easing.ts";
import type { AnyLayer } from "./layer.ts";
import type { Moment, PassageOf } from "./moment.ts";
import type { Pieces } from "./pieces.ts";

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

/** How far a layer that drifts has to be moved to stay where it is on the screen from one position to another. */
export function heldOffset<T>(a: Arithmetic<T>, drift: Drift<T>, from: T, to: T): Drift<T> {
  const length = a.max(a.px(0), a.subtract(to, from));
  return {
    x: a.multiply(a.number(-1), drift.x, length),
    y: a.multiply(a.subtract(a.number(1), drift.y), length),
  };
}
