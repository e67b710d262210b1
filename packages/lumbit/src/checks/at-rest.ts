import { type Box, type Length, type Place, parseLength, resolveLength, type Travel } from "../core/index.ts";
import type { Change } from "./finding.ts";
import type { LayerView, View } from "./view.ts";

const insetsOf = { x: ["left", "right"], y: ["top", "bottom"] } as const;

/**
 * The changes that place a layer where its travel begins or ends, whichever leaves it well, and let it travel from or
 * to there as before: who sees no movement sees it where it rests. Nothing where no single length says so.
 */
export function placedAtRest(
  { layer, layout, path }: LayerView,
  { viewport }: View,
  isWell: (box: Box) => boolean,
): Change[] | undefined {
  const { travel, place, rules, locked } = layer;
  if (!travel || !place || rules || locked) return undefined;
  const box = layout.pane ?? layout.box;
  for (const end of [0, 1] as const) {
    const by = (axis: "x" | "y", percent: number) =>
      resolveLength(travel[axis]?.[end] ?? 0, { viewport, percent });
    if (!isWell({ ...box, left: box.left + by("x", box.width), top: box.top + by("y", box.height) }))
      continue;
    const values = [...shifted("x", end, travel, place), ...shifted("y", end, travel, place)];
    if (values.every(({ value }) => value !== undefined))
      return values.map(({ key, value }) => ({ op: "replace", path: `${path}/${key}`, value }));
  }
  return undefined;
}

/** What a place and a travel are along one axis when the place has taken over an end of the travel. */
function shifted(
  axis: "x" | "y",
  end: 0 | 1,
  travel: Travel,
  place: Place,
): { key: string; value?: Length | Length[] }[] {
  const offsets: readonly Length[] = travel[axis] ?? [0, 0];
  const by = offsets[end] ?? 0;
  if (parseLength(by)?.value === 0) return [];
  const given = insetsOf[axis].filter((inset) => place[inset] !== undefined);
  if (given.length === 0) return [{ key: "place" }];
  const rest = offsets.flatMap((offset) => sum(offset, by, -1) ?? []);
  return [
    ...given.map((inset) => {
      const value = sum(place[inset] ?? 0, by, inset === insetsOf[axis][0] ? 1 : -1);
      return { key: `place/${inset}`, ...(value !== undefined && { value }) };
    }),
    { key: `travel/${axis}`, ...(rest.length === 2 && { value: rest }) },
  ];
}

/** A length and another one, or less another one; nothing where no single unit says it, as with shares of the layer. */
function sum(a: Length, b: Length, sign: 1 | -1): Length | undefined {
  const [one, other] = [parseLength(a), parseLength(b)];
  if (!one || !other || other.unit === "%" || (one.unit !== other.unit && one.value !== 0)) return undefined;
  return `${+(one.value + sign * other.value).toFixed(2)}${other.unit}`;
}
