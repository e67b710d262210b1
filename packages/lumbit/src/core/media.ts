import { parseLength, resolveLength, type Viewport } from "./units.ts";

/**
 * Whether a media query (Media Queries 4: lists, `and`, `or`, `not`, parentheses, the screen type, width, height,
 * aspect-ratio, orientation, pointer and hover features, as `min-`/`max-` or ranges) holds at a viewport. `undefined`:
 * it is not a query of this kind.
 */
export function matchesMedia(query: string, viewport: Viewport): boolean | undefined {
  const results = query.split(",").map((part) => matchesOne(part.trim().toLowerCase(), viewport));
  return results.includes(undefined) ? undefined : results.includes(true);
}

function matchesOne(query: string, viewport: Viewport): boolean | undefined {
  const typed = /^(?:(not|only)\s+)?(all|screen|print)(?:\s+and\s+(.+))?$/.exec(query);
  if (!typed) return matchesCondition(query, viewport);
  const [, modifier, type, condition] = typed;
  if (condition !== undefined && termsOf(condition).includes("or")) return undefined;
  const holds = condition === undefined || matchesCondition(condition, viewport);
  return holds === undefined ? undefined : (holds && type !== "print") !== (modifier === "not");
}

/** Terms in parentheses, joined by `and` or by `or` alone, or one with `not` before it. */
function matchesCondition(condition: string, viewport: Viewport): boolean | undefined {
  const terms = termsOf(condition);
  const negated = terms[0] === "not";
  if (negated) terms.shift();
  const joined = terms.filter((_, index) => index % 2 === 1);
  const [join = "and"] = joined;
  if (!["and", "or"].includes(join) || joined.some((other) => other !== join)) return undefined;
  if (terms.length % 2 === 0 || (negated && terms.length > 1)) return undefined;
  const results = terms
    .filter((_, index) => index % 2 === 0)
    .map((term) => {
      const inner = /^\((.+)\)$/.exec(term)?.[1]?.trim();
      if (inner === undefined) return undefined;
      return /^(\(|not\s)/.test(inner) ? matchesCondition(inner, viewport) : matchesFeature(inner, viewport);
    });
  if (results.includes(undefined)) return undefined;
  return (join === "or" ? results.includes(true) : !results.includes(false)) !== negated;
}

/** The words and parentheses of a condition; none where parentheses do not match. */
function termsOf(condition: string): string[] {
  const terms = [""];
  let depth = 0;
  for (const letter of condition) {
    if (letter === "(") depth++;
    if (letter === ")" && --depth < 0) return [];
    if (depth === 0 && /\s/.test(letter)) terms.push("");
    else terms[terms.length - 1] += letter;
  }
  return depth === 0 ? terms.filter(Boolean) : [];
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

/** What the main pointing device at a viewport can do: telephones and tablets are touched. */
export const pointerOf = ({ width, pointer }: Viewport): NonNullable<Viewport["pointer"]> =>
  pointer ?? (width < 1000 ? "coarse" : "fine");

function words(viewport: Viewport): Record<string, { is: string; allowed: string[] }> {
  const orientation = viewport.width > viewport.height ? "landscape" : "portrait";
  const pointer = { is: pointerOf(viewport), allowed: ["none", "coarse", "fine"] };
  const hover = { is: pointer.is === "fine" ? "hover" : "none", allowed: ["none", "hover"] };
  return {
    orientation: { is: orientation, allowed: ["portrait", "landscape"] },
    pointer,
    "any-pointer": pointer,
    hover,
    "any-hover": hover,
  };
}

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
