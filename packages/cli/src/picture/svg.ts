import type { Size } from "lumbit/core";

/** What units of lengths come to in px (CSS Values 4, absolute lengths; letters of 16 px). */
const units: Readonly<Record<string, number>> = {
  ...{ "": 1, px: 1, in: 96, cm: 96 / 2.54, mm: 96 / 25.4, q: 96 / 101.6, pt: 96 / 72, pc: 16 },
  ...{ em: 16, rem: 16 },
};

/** How large a replaced element is that says nothing (CSS 2.2, 10.3.2). */
const usual = { width: 300, height: 150 };

/** How large browsers show an SVG file that stands alone, in px; or why they do not show it. */
export function svgSize(text: string): Size | string {
  const root = rootOf(text);
  if (root === undefined) return "is no picture: it has no <svg> element; save it anew as SVG";
  const attribute = (name: string) => root.get(name);
  if (![...root].some(([name, value]) => /^xmlns(:|$)/.test(name) && value === "http://www.w3.org/2000/svg"))
    return 'has no xmlns="http://www.w3.org/2000/svg", without which browsers do not show it; add that to its <svg>';
  const length = (name: string) => {
    const [, number, unit = ""] =
      /^\s*([+-]?[\d.]+(?:e[+-]?\d+)?)\s*([a-z]*)\s*$/i.exec(attribute(name) ?? "") ?? [];
    const factor = units[unit.toLowerCase()];
    return number === undefined || factor === undefined ? undefined : Number(number) * factor;
  };
  const [, , across, down] = (attribute("viewBox") ?? "")
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const ratio = across && down && across > 0 && down > 0 ? across / down : undefined;
  const [width, height] = [length("width"), length("height")];
  const size = {
    width: width ?? (ratio && height !== undefined ? height * ratio : usual.width),
    height: height ?? (ratio ? (width ?? usual.width) / ratio : usual.height),
  };
  if (!(size.width >= 0.5 && size.height >= 0.5))
    return "is 0 px large, so nothing of it shows; give its <svg> a width and a height";
  return { width: Math.round(size.width), height: Math.round(size.height) };
}

/** What may stand before the root element of a file, by how it begins: how it ends. */
const before = [
  ["<!--", "-->"],
  ["<?", "?>"],
] as const;

/**
 * The attributes of the root element of an SVG file; nothing where it has none, or its tag is not closed. Goes through the file once,
 * however broken it is.
 */
function rootOf(text: string): Map<string, string> | undefined {
  let at = text.indexOf("<");
  while (at >= 0) {
    const [, ending] = before.find(([beginning]) => text.startsWith(beginning, at)) ?? [];
    const end = ending === undefined ? doctypeEnd(text, at) : text.indexOf(ending, at);
    if (end === undefined) return attributesOf(text, at);
    if (end < 0) return undefined;
    at = text.indexOf("<", end);
  }
  return undefined;
}

/** Where a document type that begins at a place ends; nothing where none begins. */
function doctypeEnd(text: string, at: number): number | undefined {
  if (!text.startsWith("<!", at)) return undefined;
  const [close, open] = [text.indexOf(">", at), text.indexOf("[", at)];
  // Its declarations have ends of their own.
  return open >= 0 && open < close ? text.indexOf(">", text.indexOf("]", open)) : close;
}

function attributesOf(text: string, start: number): Map<string, string> | undefined {
  const [tag, attribute] = [/<(?:[\w-]+:)?svg(?=[\s/>])/y, /\s+([\w:.-]+)\s*=\s*(?:"([^"]*)"|'([^']*)')/y];
  const end = /\s*\/?>/y;
  tag.lastIndex = start;
  if (!tag.test(text)) return undefined;
  const attributes = new Map<string, string>();
  for (let at = tag.lastIndex; ; at = attribute.lastIndex) {
    attribute.lastIndex = end.lastIndex = at;
    const found = attribute.exec(text);
    if (!found) return end.test(text) ? attributes : undefined;
    attributes.set(found[1] ?? "", found[2] ?? found[3] ?? "");
  }
}
