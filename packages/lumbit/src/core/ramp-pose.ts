import { type RampName, type RampProperty, rampProperties } from "../settings/index.ts";
import { numbers } from "./arithmetic.ts";
import type { Drift } from "./drift.ts";
import { type Easing, eased } from "./easing.ts";
import type { AnyLayer } from "./layer.ts";
import { type MomentContext, momentAt } from "./moment.ts";
import { heldOffset, piecesOf, rampsOf } from "./ramp.ts";
import { resolveLength } from "./units.ts";

type Rows = typeof rampProperties;

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
