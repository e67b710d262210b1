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
  const root = /<(?:[\w-]+:)?svg\b([^>]*(?:"[^"]*"[^>]*|'[^']*'[^>]*)*)>/.exec(
    text.replaceAll(/<!--[\s\S]*?-->/g, ""),
  )?.[1];
  if (root === undefined) return "is no picture: it has no <svg> element; save it anew as SVG";
  const attribute = (name: string) => {
    const found = new RegExp(`(?:^|\\s)${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`).exec(root);
    return found?.[1] ?? found?.[2];
  };
  if (!/\sxmlns(?::[\w-]+)?\s*=\s*["']http:\/\/www\.w3\.org\/2000\/svg["']/.test(` ${root}`))
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
