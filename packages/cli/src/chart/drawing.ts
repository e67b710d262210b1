import { parseHTML } from "linkedom";

export type Theme = "light" | "dark";
export const themes = {
  light: { ink: "#1d2526", ground: "#fbfaf6" },
  dark: { ink: "#dfe9e5", ground: "#0d1b20" },
} as const satisfies Record<Theme, { ink: string; ground: string }>;

/** A chart as the text of an SVG file: on its ground, with its title and what its colours mean. */
export function drawing(
  draw: (document: Document) => Element,
  { title, note, theme }: { title: string; note: string; theme: Theme },
): string {
  const { document } = parseHTML("<!doctype html><body></body>");
  const svg = draw(document as unknown as Document);
  const add = (name: string, attributes: Record<string, string>, text = "") => {
    const element = document.createElementNS("http://www.w3.org/2000/svg", name);
    for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
    element.textContent = text;
    return element as unknown as Node;
  };
  const { ink, ground } = themes[theme];
  const family = "system-ui, sans-serif";
  svg.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  svg.setAttribute("role", "img");
  svg.prepend(
    add("title", {}, title),
    add("rect", { width: "100%", height: "100%", fill: ground }),
    add(
      "text",
      {
        x: "16",
        y: "30",
        fill: ink,
        "font-family": family,
        "font-size": "17",
        "font-weight": "600",
        "text-anchor": "start",
      },
      title,
    ),
    add(
      "text",
      { x: "984", y: "30", fill: ink, "font-family": family, "font-size": "13", "text-anchor": "end" },
      note,
    ),
  );
  return `${svg.outerHTML}\n`;
}
