import { type Breach, isObject, type Json, objects } from "./contradictions.ts";
import { fitsContent } from "./fit-content.ts";
import type { Path } from "./source.ts";

/** A layer by itself, and its rules, each with its path. */
const statesAt = (layer: Json, path: Path): [Json, Path][] => [
  [layer, path],
  ...objects(layer.rules).map(([rule, index]): [Json, Path] => [rule, [...path, "rules", index]]),
];

/** What a row is not at the same time, and what only a row has. */
export function rowBreaches(layer: Json, path: Path, inScene: boolean): Breach[] {
  if (!("row" in layer))
    return statesAt(layer, path).flatMap(([state, at]) =>
      "padding" in state
        ? [
            {
              path: [...at, "padding"],
              message:
                'the layers of this group have places of their own: give it a "row", or leave "padding" away',
            },
          ]
        : [],
    );
  const breach = (key: string, message: string): Breach[] =>
    key in layer ? [{ path: [...path, key], message }] : [];
  return [
    ...breach("reel", "a reel has its slides side by side already; keep one of the two"),
    ...breach("size", 'a row is as large as its place or its layers say; leave "size" away'),
    ...(inScene
      ? []
      : breach(
          "pane",
          "a row in a pane stands in its scene; take it out, or put it into a group with a pane",
        )),
    ...("pane" in layer
      ? breach(
          "settle",
          "a row in a pane settles with its scene, for how large it is follows from its layers; leave it away",
        )
      : []),
    ...objects(layer.rules).flatMap(([rule, index]) =>
      "pane" in rule
        ? [
            {
              path: [...path, "rules", index, "pane"],
              message: "a row has its pane on all screens; give it to the layer, or make two layers of it",
            },
          ]
        : [],
    ),
    ...statesAt(layer, path).flatMap(([{ row }, at]) =>
      isObject(row) && row.wrap === true && row.along === "y"
        ? [
            {
              path: [...at, "row", "wrap"],
              message: 'what stands below each other does not wrap; leave "wrap" away',
            },
          ]
        : [],
    ),
  ];
}

const insets = ["left", "right", "top", "bottom", "center"];

/** What stands in a row has its place from it, and a size of its own where it has none by nature. */
export function memberBreaches(layer: Json, kind: string | undefined, path: Path): Breach[] {
  const breaches = statesAt(layer, path).flatMap(([{ place }, at]) =>
    insets
      .filter((key) => isObject(place) && key in place)
      .map((key) => ({
        path: [...at, "place", key],
        message: `what is in a row stands where the row has it: leave "${key}" away, and give it only a width or height`,
      })),
  );
  const place = isObject(layer.place) ? layer.place : {};
  const sizes = ["width", "height"].filter((key) => key in place).length;
  // Of a shape with a place it is said already.
  const least =
    (kind === "shape" && !("place" in layer)) ||
    (kind === "layers" && !("row" in layer) && !("place" in layer) && !fitsContent(layer))
      ? 2
      : kind === "image"
        ? 1
        : 0;
  if (breaches.length > 0 || sizes >= least) return breaches;
  return [
    {
      path,
      message: `in a row it needs a "place" with a width ${least === 2 ? "and" : "or"} a height`,
    },
  ];
}
