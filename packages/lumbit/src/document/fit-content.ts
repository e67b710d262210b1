import { type Breach, isObject, type Json, objects } from "./contradictions.ts";
import type { Path } from "./source.ts";

const axes = [
  { start: "left", end: "right", size: "width", both: "left and right" },
  { start: "top", end: "bottom", size: "height", both: "top and bottom" },
] as const;
type Axis = (typeof axes)[number];

const isStretched = (place: Json, { start, end }: Axis) => start in place && end in place;
const saysSize = (place: Json, axis: Axis) => axis.size in place || isStretched(place, axis);

/** What has a place but no size, and takes none from what is in it. */
export function sizeBreaches({ place }: Json, what: string, path: Path, layers?: unknown): Breach[] {
  if (!isObject(place)) return [];
  const missing = axes.filter(
    (axis) => !saysSize(place, axis) && !objects(layers).some(([own]) => fills(own, axis)),
  );
  return missing.map(({ size, both }) => ({
    path: [...path, "place"],
    message: `${what} has no ${size} of its own${layers === undefined ? "" : `, and what is in it has none either`}: give it ${size}, or ${both}`,
  }));
}

/** Whether a layer says on an axis how large the group around it is. */
const fills = ({ place, ...layer }: Json, axis: Axis): boolean =>
  isObject(place) ? !isStretched(place, axis) || "text" in layer : "text" in layer || "row" in layer;

/** Whether a group is as large as what is in it, at least on one axis. */
export const fitsContent = ({ place, ...layer }: Json): boolean =>
  "layers" in layer &&
  isObject(place) &&
  layer.pane !== true &&
  !("row" in layer || "reel" in layer) &&
  !axes.every((axis) => saysSize(place, axis));
