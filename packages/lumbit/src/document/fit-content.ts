import { type AnyLayer, isBetween, isFitContent, type Place, saysSize } from "../core/index.ts";
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
    ({ axis }) => !saysSize(place as Place, axis) && !objects(layers).some(([own]) => asksOn(own, axis)),
  );
  return missing.map(({ size, both }) => ({
    path: [...path, "place"],
    message: `${what} has no ${size} of its own${layers === undefined ? "" : `, and what is in it has none either`}: give it ${size}, or ${both}`,
  }));
}

/** Whether a layer says on an axis how large the group around it is. */
const asksOn = ({ place, ...layer }: Json, axis: "x" | "y"): boolean =>
  isObject(place) ? !isBetween(place as Place, axis) || "text" in layer : "text" in layer || "row" in layer;

/** Whether a group is as large as what is in it, at least on one axis. */
export const fitsContent = (layer: Json): boolean =>
  isObject(layer.place) && isFitContent(layer as unknown as AnyLayer);
