import { parseHTML } from "linkedom";

export type Theme = "light" | "dark";
export const themes = {
  light: { ink: "#1d2526", ground: "#fbfaf6" },
  dark: { ink: "#dfe9e5", ground: "#0d1b20" },
} as const satisfies Record<Theme, { ink: string; ground: string }>;

/** The width of a chart, in px. */
export const chartWidth = 1000;

/** Plots below each other as the text of an SVG file: on its ground, with its title and what its colours mean. */
export function drawing(
  plots: readonly ((document: Document) => Element)[],
  { title, note, theme, width = chartWidth }: { title: string; note: string; theme: Theme; width?: number },
): string {
  const { document } = parseHTML("<!doctype html><body></body>");
  const add = (name: string, attributes: Record<string, string>, text = "") => {
    const element = document.createElementNS("http://www.w3.org/2000/svg", name);
    for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
    element.textContent = text;
    return element as unknown as Element;
  };
  const { ink, ground } = themes[theme];
  const family = "system-ui, sans-serif";
  let height = 0;
  const drawn = plots.map((plot) => {
    const svg = plot(document as unknown as Document);
    svg.setAttribute("y", String(height));
    height += Number(svg.getAttribute("height"));
    return svg;
  });
  const size = { width: String(width), height: String(height) };
  const sheet = add("svg", {
    xmlns: "http://www.w3.org/2000/svg",
    role: "img",
    ...size,
    viewBox: `0 0 ${width} ${height}`,
  });
  const heading = { y: "30", fill: ink, "font-family": family };
  sheet.append(
    add("title", {}, title),
    add("rect", { ...size, fill: ground }),
    add("text", { ...heading, x: "16", "font-size": "17", "font-weight": "600" }, title),
    add("text", { ...heading, x: String(width - 16), "font-size": "13", "text-anchor": "end" }, note),
    ...drawn,
  );
  return `${sheet.outerHTML}\n`;
}
