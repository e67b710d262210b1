import { isCssValue } from "./css-value.ts";
import type { Breach } from "./rules.ts";
import type { Path } from "./source.ts";

type Json = Record<string, unknown>;
interface Values {
  holds(value: unknown): boolean;
  allowed: string;
  /** The kinds of layer that have the property; all without it. */
  for?: readonly string[];
}

const number = (least: number, most: number, allowed: string): Values => ({
  holds: (value) => typeof value === "number" && value >= least && value <= most,
  allowed,
});
const css = (property: string, allowed: string): Values => ({
  holds: (value) => value === 0 || (typeof value === "string" && isCssValue(property, value)),
  allowed,
});
const matching = (pattern: RegExp, allowed: string): Values => ({
  holds: (value) => value === 0 || (typeof value === "string" && pattern.test(value)),
  allowed,
});
const decimal = String.raw`(\d+\.?\d*|\.\d+)`;
const length = new RegExp(`^[+-]?${decimal}(px|%|rem|[sld]?v[wh])$`);

/** What is cut off at one to four sides, each in px or percentages. */
export const clipPattern = new RegExp(`^(${decimal}(px|%)|0)( (${decimal}(px|%)|0)){0,3}$`);

/** What a ramp may do with each property. */
const values = {
  opacity: number(0, 1, "a number from 0 to 1"),
  blur: matching(new RegExp(`^${decimal}px$`), 'a radius in px such as "8px"'),
  scale: number(0, 100, "a factor of 0 or more"),
  rotate: number(-36000, 36000, "an angle in degrees"),
  x: matching(length, 'an offset to the right such as "-40%" or "12vw"'),
  y: matching(length, 'an offset downwards such as "-40%" or "12vh"'),
  brightness: number(0, 100, "a factor of 0 or more"),
  saturation: number(0, 100, "a factor of 0 or more"),
  color: { ...css("color", 'a CSS color such as "#e9f4ef"'), for: ["text", "shape", "layers"] },
  clip: matching(clipPattern, 'what is cut off at the top, right, bottom and left, such as "0% 100% 0% 0%"'),
  letterSpacing: {
    ...matching(new RegExp(`^[+-]?${decimal}(em|px|rem|[sld]?v[wh])$`), 'a length such as "0.2em"'),
    for: ["text"],
  },
  fontWeight: { ...number(1, 1000, "a font weight from 1 to 1000"), for: ["text"] },
  backgroundPosition: {
    ...matching(new RegExp(`^[+-]?${decimal}% [+-]?${decimal}%$`), 'two percentages such as "20% 50%"'),
    for: ["image", "shape", "layers"],
  },
  axis: { ...number(-100_000, 100_000, "a number on the axis"), for: ["text"] },
} satisfies Record<string, Values>;

export const rampProperties = Object.keys(values) as [keyof typeof values, ...(keyof typeof values)[]];

/** What is wrong with the ramps of a layer beyond what the schema sees. */
export function rampBreaches(layer: Json, path: Path): Breach[] {
  if (!Array.isArray(layer.ramps)) return [];
  const kind = ["image", "text", "shape", "layers"].find((key) => key in layer);
  const inPane = (kind === "image" || kind === "shape") && (layer.pane === true || !("place" in layer));
  const breaches: Breach[] = [];
  let split: unknown;
  const seen = new Set<string>(Object.keys(Object(layer.travel)).filter((key) => key === "x" || key === "y"));
  for (const [index, ramp] of layer.ramps.entries()) {
    const { property, stops, axis, pieces, stagger } = Object(ramp) as Json;
    const known = values[property as keyof typeof values] as Values | undefined;
    if (!known || !Array.isArray(stops)) continue;
    const at = [...path, "ramps", index];
    const breach = (message: string, ...more: Path) => breaches.push({ path: [...at, ...more], message });
    const name = property === "axis" ? `axis ${axis}` : String(property);
    if (seen.has(name))
      breach(`"${name}" has a ramp already (a travel counts as ramps of x and y); put all stops into one`);
    seen.add(name);
    if (kind && known.for && !known.for.includes(kind))
      breach(`"${property}" is for ${known.for.map((own) => kindNames[own]).join(", ")}`, "property");
    if (
      kind === "text" &&
      ["fontWeight", "letterSpacing", "axis"].includes(String(property)) &&
      !hasWidth(layer)
    )
      breach(
        `a ramp of ${name} changes how wide the letters are: give the text's place a width, or left and right, so that nothing else moves`,
        "property",
      );
    if (property === "axis" && typeof axis !== "string")
      breach('the ramp has no "axis": give the tag of one, such as "wdth"');
    if (property !== "axis" && axis !== undefined)
      breach('"axis" is for a ramp whose property is "axis"', "axis");
    if (stagger !== undefined && pieces === undefined)
      breach('"stagger" is for a ramp in "pieces"', "stagger");
    if (pieces !== undefined) {
      if (kind && kind !== "text") breach('"pieces" is for texts', "pieces");
      else if (!inPieces.includes(String(property)))
        breach(
          `a ramp in pieces is one of ${inPieces.join(", ")}; "${property}" is of the whole layer`,
          "pieces",
        );
      if (split !== undefined && pieces !== split)
        breach(`another ramp of this text splits it into ${split}; all of them split it alike`, "pieces");
      if (layer.repeat !== undefined)
        breach('a repeated text is not split; remove "repeat" or "pieces"', "pieces");
      const ranges = new Set(stops.map((stop) => String(Object(stop).at).split(" ")[0]));
      if (ranges.size > 1)
        breach(
          `the stops of a ramp in pieces are all in one range; found ${[...ranges].join(" and ")}`,
          "stops",
        );
      split ??= pieces;
    }
    if (inPane && ["x", "y", "rotate"].includes(String(property)))
      breach(
        `a picture in a pane moves by its depth, from which its overscan follows; put it into a group and give that the ramp of ${property}`,
        "property",
      );
    let last: { range: string; share: number } | undefined;
    for (const [stopIndex, stop] of stops.entries()) {
      const { at: moment, value } = Object(stop) as Json;
      if (!known.holds(value))
        breach(`found ${JSON.stringify(value)}; allowed: ${known.allowed}`, "stops", stopIndex, "value");
      else if (inPane && property === "scale" && Number(value) < 1)
        breach(
          "a picture in a pane only grows, so that no edge shows: a scale of 1 or more",
          "stops",
          stopIndex,
          "value",
        );
      const [range = "", share = ""] = String(moment).split(" ");
      const here = { range, share: Number.parseFloat(share) };
      if (last?.range === range && here.share < last.share)
        breach(
          `the stop comes before the one that it follows (${range} ${last.share}%); give stops in the order in which they are passed`,
          "stops",
          stopIndex,
          "at",
        );
      last = here;
    }
  }
  return breaches;
}

const hasWidth = ({ place }: Json) => {
  const own = Object(place) as Json;
  return "width" in own || ("left" in own && "right" in own);
};

/** What pieces of a text may have: all that needs no box of its own. */
const inPieces = ["opacity", "color", "fontWeight", "letterSpacing", "axis"];

const kindNames: Record<string, string> = {
  image: "pictures",
  text: "texts",
  shape: "shapes",
  layers: "groups",
};
