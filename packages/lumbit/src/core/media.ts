import { parseLength, resolveLength, type Viewport } from "./units.ts";

/**
 * Whether a media query (Media Queries 4: lists, `and`, `not`, the screen type, width, height, aspect-ratio,
 * orientation, pointer and hover features, as `min-`/`max-` or ranges) holds at a viewport. `undefined`: it is not
 * a query of this kind.
 */
export function matchesMedia(query: string, viewport: Viewport): boolean | undefined {
  const results = query.split(",").map((part) => matchesOne(part.trim().toLowerCase(), viewport));
  return results.includes(undefined) ? undefined : results.includes(true);
}

function matchesOne(query: string, viewport: Viewport): boolean | undefined {
  const negated = /^not\s+/.test(query);
  const terms = query.replace(/^(not|only)\s+/, "").split(/\s+and\s+/);
  const results = terms.map((term, index) => {
    if (index === 0 && /^(all|screen|print)$/.test(term)) return term !== "print";
    const inner = /^\(([^()]+)\)$/.exec(term)?.[1];
    return inner === undefined ? undefined : matchesFeature(inner.trim(), viewport);
  });
  if (results.includes(undefined)) return undefined;
  return results.every(Boolean) !== negated;
}

function matchesFeature(feature: string, viewport: Viewport): boolean | undefined {
  const plain = /^(min-|max-)?([a-z-]+)\s*:\s*(.+)$/.exec(feature);
  if (plain) {
    const [, bound, name = "", value = ""] = plain;
    const word = words(viewport)[name];
    if (word) return bound || !word.allowed.includes(value) ? undefined : word.is === value;
    return compare(name, bound === "min-" ? ">=" : bound === "max-" ? "<=" : "=", value, viewport);
  }
  const turned = /^([^<>=a-z]*\d[a-z]*)\s*(<=?|>=?|=)\s*([a-z-]+)$/.exec(feature);
  if (turned) {
    const [, value = "", sign = "", name = ""] = turned;
    const flipped = sign.replace(/[<>]/, (way) => (way === "<" ? ">" : "<"));
    return compare(name, flipped, value, viewport);
  }
  const range = /^(?:(.+?)\s*(<=?)\s*)?([a-z-]+)\s*(<=?|>=?|=)\s*(.+)$/.exec(feature);
  if (!range) return undefined;
  const [, low, lowSign, name = "", sign = "", high = ""] = range;
  const upper = compare(name, sign, high, viewport);
  if (low === undefined) return upper;
  const lower = compare(name, lowSign === "<" ? ">" : ">=", low, viewport);
  return upper === undefined || lower === undefined ? undefined : upper && lower;
}

const words = ({
  width,
  height,
  pointer = "fine",
}: Viewport): Record<string, { is: string; allowed: string[] }> => ({
  orientation: { is: width > height ? "landscape" : "portrait", allowed: ["portrait", "landscape"] },
  pointer: { is: pointer, allowed: ["none", "coarse", "fine"] },
  "any-pointer": { is: pointer, allowed: ["none", "coarse", "fine"] },
  hover: { is: pointer === "fine" ? "hover" : "none", allowed: ["none", "hover"] },
  "any-hover": { is: pointer === "fine" ? "hover" : "none", allowed: ["none", "hover"] },
});

function compare(name: string, sign: string, text: string, viewport: Viewport): boolean | undefined {
  const ratio = /^(\d+\.?\d*)(?:\s*\/\s*(\d+\.?\d*))?$/.exec(text);
  let actual: number;
  let wanted: number;
  if (name === "aspect-ratio" && ratio) {
    actual = viewport.width / viewport.height;
    wanted = Number(ratio[1]) / Number(ratio[2] ?? 1);
  } else if ((name === "width" || name === "height") && parseLength(text)) {
    actual = viewport[name];
    wanted = resolveLength(text, { viewport, percent: Number.NaN });
  } else if ((name === "width" || name === "height") && /^\d+\.?\d*em$/.test(text)) {
    actual = viewport[name];
    wanted = Number.parseFloat(text) * 16;
  } else return undefined;
  if (Number.isNaN(wanted)) return undefined;
  switch (sign) {
    case "<":
      return actual < wanted;
    case "<=":
      return actual <= wanted;
    case ">":
      return actual > wanted;
    case ">=":
      return actual >= wanted;
    default:
      return actual === wanted;
  }
}
