import { type AnyLayer, asks, changedBy, isFitContent, type Place, saysSize } from "../core/index.ts";
import { type Breach, isObject, type Json, objects } from "./contradictions.ts";
import type { Path } from "./source.ts";

const axes = [
  { axis: "x", size: "width", both: "left and right" },
  { axis: "y", size: "height", both: "top and bottom" },
] as const;

/** What has a place but no size, and takes none from what is in it. */
export function sizeBreaches({ place }: Json, what: string, path: Path, layers?: unknown): Breach[] {
  if (!isObject(place)) return [];
  const missing = axes.filter(
    ({ axis }) =>
      !saysSize(place as Place, axis) && !objects(layers).some(([own]) => asks(readable(own))[axis]),
  );
  return missing.map(({ size, both }) => ({
    path: [...path, "place"],
    message: `${what} has no ${size} of its own${layers === undefined ? "" : `, and what is in it has none either`}: give it ${size}, or ${both}`,
  }));
}

/** Whether a group is as large as what is in it, at least on one axis. */
export const fitsContent = (layer: Json): boolean => isFitContent(readable(layer));

/**
 * What rules of layers in a group without a place may not change: whether the group is as large as what is in it, in
 * whatever company they hold.
 */
export function fitRuleBreaches(layer: Json, path: Path): Breach[] {
  if ("place" in layer) return [];
  const members = objects(layer.layers).map(([own, index]) => {
    const rules = objects(own.rules).map(([rule, at]) => ({
      asks: asks(readable(changedBy(own, { media: "", ...rule }))),
      path: [...path, "layers", index, "rules", at],
    }));
    return { asks: asks(readable(own)), rules };
  });
  const fits = fitsContent(layer);
  const onEveryAxis = (holds: (states: readonly boolean[]) => boolean) =>
    axes.every(({ axis }) =>
      members.some(({ asks, rules }) =>
        holds([asks, ...rules.map((rule) => rule.asks)].map((one) => one[axis])),
      ),
    );
  const stays = fits
    ? onEveryAxis((states) => states.every(Boolean))
    : !onEveryAxis((states) => states.some(Boolean));
  const rule = members
    .flatMap(({ asks, rules }) =>
      rules.filter((rule) => axes.some(({ axis }) => rule.asks[axis] !== asks[axis])),
    )
    .at(0);
  return stays || !rule
    ? []
    : [
        {
          path: [...rule.path, "place"],
          message: `with this the group around it is ${fits ? "no longer" : "now"} as large as what is in it, and has to be that on all screens or on none: give the group a "place", or this a place with sizes here too`,
        },
      ];
}

/** A layer with what of its place and its layers can be read, whatever else is wrong with it. */
const readable = ({ place, layers, ...layer }: Json): AnyLayer =>
  ({
    ...layer,
    ...(isObject(place) && { place }),
    ...(layers !== undefined && { layers: objects(layers).map(([own]) => readable(own)) }),
  }) as unknown as AnyLayer;
