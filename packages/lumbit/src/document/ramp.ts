import { foundInWords } from "../faults/in-words.ts";
import { type RampName, type RampProperty, rampProperties } from "../settings/index.ts";
import type { Breach } from "./contradictions.ts";
import { kindOf, manyNames } from "./kinds.ts";
import { plain } from "./plain.ts";
import { holds } from "./schema.ts";
import type { Path } from "./source.ts";

type Json = Record<string, unknown>;

/** What is wrong with the ramps of a layer beyond what the schema sees. */
export function rampBreaches(layer: Json, path: Path): Breach[] {
  if (!Array.isArray(layer.ramps)) return [];
  const kind = kindOf(layer);
  const inPane = (kind === "image" || kind === "shape") && (layer.pane === true || !("place" in layer));
  const breaches: Breach[] = [];
  let split: unknown;
  const seen = new Set<string>(Object.keys(Object(layer.travel)).filter((key) => key === "x" || key === "y"));
  for (const [index, ramp] of layer.ramps.entries()) {
    const { property, stops, axis, pieces, stagger } = Object(ramp) as Json;
    const known: RampProperty | undefined = Object.hasOwn(rampProperties, plain(property))
      ? rampProperties[property as RampName]
      : undefined;
    if (!known || !Array.isArray(stops)) continue;
    const at = [...path, "ramps", index];
    const breach = (message: string, ...more: Path) => breaches.push({ path: [...at, ...more], message });
    const name = property === "axis" ? `axis ${plain(axis)}` : plain(property);
    if (seen.has(name))
      breach(`"${name}" has a ramp already (a travel counts as ramps of x and y); put all stops into one`);
    seen.add(name);
    if (kind && known.kinds && !known.kinds.includes(kind))
      breach(
        `"${plain(property)}" is for ${known.kinds.map((own) => manyNames[own]).join(", ")}`,
        "property",
      );
    if (
      kind === "text" &&
      ["fontWeight", "letterSpacing", "axis"].includes(plain(property)) &&
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
      else if (!known.inPieces)
        breach(
          `a ramp in pieces is one of ${inPieces.join(", ")}; "${plain(property)}" is of the whole layer`,
          "pieces",
        );
      if (split !== undefined && pieces !== split)
        breach(
          `another ramp of this text splits it into ${plain(split)}; all of them split it alike`,
          "pieces",
        );
      if (layer.repeat !== undefined)
        breach('a repeated text is not split; remove "repeat" or "pieces"', "pieces");
      const ranges = new Set(stops.map((stop) => plain(Object(stop).at).split(" ")[0]));
      if (ranges.size > 1)
        breach(
          `the stops of a ramp in pieces are all in one range; found ${[...ranges].join(" and ")}`,
          "stops",
        );
      split ??= pieces;
    }
    if (inPane && ["x", "y", "rotate"].includes(plain(property)))
      breach(
        `a picture in a pane moves by its depth, from which its overscan follows; put it into a group and give that the ramp of ${plain(property)}`,
        "property",
      );
    let last: { range: string; share: number; unit: string } | undefined;
    for (const [stopIndex, stop] of stops.entries()) {
      const { at: moment, value } = Object(stop) as Json;
      if (!holds(known.grammar, value))
        breach(foundInWords(value, known.grammar.allowed), "stops", stopIndex, "value");
      else if (inPane && property === "scale" && Number(value) < 1)
        breach(
          "a picture in a pane only grows, so that no edge shows: a scale of 1 or more",
          "stops",
          stopIndex,
          "value",
        );
      const [range = "", share = ""] = plain(moment).split(" ");
      const here = { range, share: Number.parseFloat(share), unit: share.replace(/^[\d.]+/, "") };
      if (pieces !== undefined && here.unit !== "%" && here.unit !== "")
        breach("the stops of a ramp in pieces are percentages of their range", "stops", stopIndex, "at");
      if (last?.range === range && last.unit === here.unit && here.share < last.share)
        breach(
          `the stop comes before the one that it follows (${range} ${last.share}${last.unit}); give stops in the order in which they are passed`,
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
const inPieces = (Object.entries(rampProperties) as [string, RampProperty][]).flatMap(([name, own]) =>
  own.inPieces ? [name] : [],
);
