import { type Axis, placeOf } from "./axis.ts";

/** Half of what the camera sees at the page surface, in px. */
const seen = { middle: 117, half: 30 };

/** What the camera sees: the farther, the more, in proportion to 1 + depth, which is one in the speed. */
export function Seen({ axis, width }: { axis: Axis; width: number }) {
  const points = Array.from({ length: 60 }, (_, index) => 2.5 * (1 - index / 60)).filter(
    (speed) => seen.half / speed < seen.middle,
  );
  const edge = (side: 1 | -1) =>
    points.map(
      (speed) =>
        `${placeOf(speed, axis).toFixed(1)},${(seen.middle + (side * seen.half) / speed).toFixed(1)}`,
    );
  return (
    <svg aria-hidden="true" width={width} height={2 * seen.middle}>
      {([-1, 1] as const).map((side) => (
        <polyline key={side} points={`40,${seen.middle} ${edge(side).join(" ")}`} />
      ))}
    </svg>
  );
}
