import type { Path } from "./source.ts";

/** What the schema cannot say: keys that exclude or need each other and names used twice. */
export interface Breach {
  path: Path;
  message: string;
}

type Json = Record<string, unknown>;
const objects = (value: unknown): [Json, number][] =>
  Array.isArray(value)
    ? value.map((entry, index): [Json, number] => [isObject(entry) ? entry : {}, index])
    : [];
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Every breach in a parsed page file, however wrong the rest of it is. */
export function findBreaches(document: unknown): Breach[] {
  if (!isObject(document)) return [];
  const scenes = objects(document.scenes);
  return [
    ...repeatedNames(scenes, ["scenes"], "scene", "page"),
    ...scenes.flatMap(([scene, index]) => {
      const path = ["scenes", index, "layers"];
      const layers = objects(scene.layers);
      return [
        ...repeatedNames(layers, path, "layer", "scene"),
        ...layers.flatMap(([layer, at]) => layerBreaches(layer, [...path, at])),
      ];
    }),
  ];
}

function repeatedNames(entries: [Json, number][], path: Path, what: string, where: string): Breach[] {
  const first = new Map<unknown, number>();
  return entries.flatMap(([{ name }, index]) => {
    const earlier = first.get(name);
    if (typeof name !== "string" || earlier === undefined) {
      first.set(name, index);
      return [];
    }
    const message = `the name "${name}" is already that of ${what} ${earlier + 1} of this ${where}; give each ${what} a name of its own`;
    return [{ path: [...path, index, "name"], message }];
  });
}

const textKeys = [
  "as",
  "color",
  "fontFamily",
  "fontSize",
  "fontWeight",
  "fontStyle",
  "lineHeight",
  "letterSpacing",
  "textAlign",
  "maxWidth",
];

function layerBreaches(layer: Json, path: Path): Breach[] {
  const breaches: Breach[] = [];
  const both = (a: string, b: string, why: string) => {
    if (a in layer && b in layer)
      breaches.push({ path: [...path, b], message: `"${a}" and "${b}" are both given: ${why}` });
  };
  both("depth", "speed", "each follows from the other (speed = 1 / (1 + depth)); keep one");
  both("image", "text", "a layer is one picture or one text; make two layers of it");
  if (!("image" in layer) && !("text" in layer) && Object.keys(layer).length > 0)
    breaches.push({ path, message: 'this layer shows nothing: give it an "image" or a "text"' });
  if ("image" in layer && !("text" in layer)) {
    if (!("alt" in layer))
      breaches.push({
        path,
        message: 'the picture has no "alt": say what it shows, or "" when it only decorates',
      });
    for (const key of textKeys)
      if (key in layer)
        breaches.push({ path: [...path, key], message: `"${key}" is for texts; this layer is a picture` });
  }
  if ("text" in layer && !("image" in layer))
    for (const key of ["alt", "subject"])
      if (key in layer)
        breaches.push({ path: [...path, key], message: `"${key}" is for pictures; this layer is a text` });
  if (isObject(layer.place)) breaches.push(...placeBreaches(layer.place, [...path, "place"]));
  if (isObject(layer.fontSize)) {
    const { from = 360, to = 1440, min, max } = layer.fontSize;
    if (Number.parseFloat(String(min)) > Number.parseFloat(String(max)))
      breaches.push({
        path: [...path, "fontSize"],
        message: `"min" (${min}) is above "max" (${max}); exchange them`,
      });
    if (typeof from === "number" && typeof to === "number" && from >= to)
      breaches.push({
        path: [...path, "fontSize"],
        message: `the text grows from ${from} px to ${to} px of viewport width; "from" must be below "to"`,
      });
  }
  return breaches;
}

function placeBreaches(place: Json, path: Path): Breach[] {
  const breaches: Breach[] = [];
  for (const [start, end, size, axis] of [
    ["left", "right", "width", "x"],
    ["top", "bottom", "height", "y"],
  ] as const) {
    if (start in place && end in place && size in place)
      breaches.push({
        path: [...path, size],
        message: `"${start}", "${end}" and "${size}" are all given, and two of them settle the third; remove one`,
      });
    if (place.center !== axis && place.center !== "both") continue;
    for (const key of [start, end])
      if (key in place)
        breaches.push({
          path: [...path, key],
          message: `"${key}" contradicts "center": "${place.center}"; remove one of them`,
        });
  }
  return breaches;
}
