import type { LayerLayout, PageLayout } from "lumbit/core";
import { turnsOf } from "../../packages/lumbit/src/checks/view.ts";

/** So many px beside a jump a browser is on the same side of it. */
const aside = 2;

/**
 * The scroll positions at which a browser is compared, in whole px: where the movement of any layer turns, beside what
 * jumps, and half-way to the next. In between both are lines, or the easing of a ramp.
 */
export function comparedPositions({ viewport, scrollHeight, scenes }: PageLayout): number[] {
  const reach = scrollHeight - viewport.height;
  const turns = scenes.flatMap((scene) =>
    scene.layers.flatMap((layer) => {
      const jumps = rampsIn(layer).filter(({ stops }) =>
        stops.some(
          ({ at, easing }, index) =>
            easing.startsWith("step") || stops.slice(index + 1).some((next) => next.at === at),
        ),
      );
      const jumping = new Set(jumps.flatMap(({ stops }) => stops.map(({ at }) => at)));
      return turnsOf(layer, scene)
        .flatMap((p) => (jumping.has(p) ? [p - aside, p + aside] : [p]))
        .map((p) => scene.top - viewport.height + p);
    }),
  );
  const sorted = wholeWithin([0, ...turns, reach], reach);
  const halfway = sorted.slice(1).map((next, index) => ((sorted[index] as number) + next) / 2);
  return wholeWithin([...sorted, ...halfway.filter((_, index) => index % 2 === 0)], reach);
}

const rampsIn = (layer: LayerLayout): LayerLayout["ramps"] => [
  ...layer.ramps,
  ...(layer.layers ?? []).flatMap(rampsIn),
];

/** Whole, within what can be scrolled, each once. */
const wholeWithin = (positions: readonly number[], reach: number): number[] =>
  [...new Set(positions.filter((at) => at >= 0 && at <= reach).map((at) => Math.round(at)))].sort(
    (a, b) => a - b,
  );
