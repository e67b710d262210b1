import { type CssNode, generate, parse, walk } from "css-tree";
import { describe, expect, test } from "vitest";
import type { Layer, Page, Scene } from "../core/index.ts";
import { pageCss, pageHtml } from "./index.ts";

const picture = (name: string, more: object = {}): Layer =>
  ({ name, image: "art/a.webp", alt: "", ...more }) as Layer;
const page = (...scenes: Scene[]): Page => ({ format: "lumbit/1", title: "t", lang: "en", scenes });
const assets = {
  pictures: { "art/a.webp": { url: "a b.webp?1", width: 400, height: 300 } },
  fonts: {},
};
const html = (page: Page) => pageHtml(page, { assets, stylesheet: "page.css" });
const tag = (html: string, name: string) =>
  new RegExp(`<[^>]*data-lumbit-layer="${name}"[^>]*>`).exec(html)?.[0];

describe("the HTML", () => {
  const scenes = ["one", "two"].map(
    (name): Scene => ({
      name,
      layers: [
        picture(`${name}-fixed`, { depth: "horizon" }),
        picture(`${name}-far`, { depth: 2, place: { left: 0, width: "40%" } }),
        { name: `${name}-row`, text: "ebb & flow", repeat: 3, wrap: false },
      ],
    }),
  );

  test("loads the first screen at once, what is fixed early, and the rest as it comes near", () => {
    const written = html(page(...scenes));
    for (const name of ["one-fixed", "one-far"])
      expect(tag(written, name)).not.toMatch(/loading|priority|decoding/);
    expect(tag(written, "two-fixed")).toMatch(/fetchpriority="low" decoding="async"/);
    expect(tag(written, "two-fixed")).not.toContain("loading");
    expect(tag(written, "two-far")).toMatch(/loading="lazy" decoding="async"/);
  });

  test("says a repeated text once to those who listen", () => {
    const written = html(page(...scenes));
    const row = /<p data-lumbit-layer="one-row".*?<\/p>/s.exec(written)?.[0] ?? "";
    expect(row.match(/ebb &#x26; flow/g)).toHaveLength(3);
    expect(row.match(/aria-hidden="true"/g)).toHaveLength(2);
  });

  test("keeps pictures' own sizes, so that nothing shifts when they come", () => {
    expect(tag(html(page(...scenes)), "two-far")).toMatch(/width="400" height="300"/);
  });
});

describe("the head", () => {
  test("says what the page file says, escaped, and names shared things by the page's address", () => {
    const scenes = [{ name: "s", layers: [] }];
    const head = {
      description: 'Tides & "kelp"',
      icon: "art/a.webp",
      image: "art/a.webp",
      address: "https://tidehouse.example/low/",
      themeColor: "#06202b",
      meta: { author: "<keepers>", "og:locale": "en_GB" },
    };
    const written = html({ ...page(...scenes), head });
    for (const line of [
      '<meta name="description" content="Tides &#x26; &#x22;kelp&#x22;">',
      '<meta name="theme-color" content="#06202b">',
      '<link rel="icon" href="a b.webp?1">',
      '<link rel="canonical" href="https://tidehouse.example/low/">',
      '<meta property="og:title" content="t">',
      '<meta property="og:image" content="https://tidehouse.example/low/a%20b.webp?1">',
      '<meta name="author" content="<keepers>">',
      '<meta property="og:locale" content="en_GB">',
    ])
      expect(written).toContain(line);
    expect(html(page(...scenes))).not.toMatch(/og:|rel="icon"|theme-color/);
  });
});

describe("the style sheet", () => {
  test("holds no script, no fetch but its own, and nothing that ends its rules", () => {
    const css = pageCss(
      page({ name: "s", background: "#123", layers: [picture("a", { depth: 1 })] }),
      assets,
    );
    expect(css).not.toMatch(/<\/|javascript:|expression|@import|url\(/);
    expect(css.split("{").length).toBe(css.split("}").length);
  });

  test("moves only for readers who did not ask for less motion, on a screen, where the browser can", () => {
    const css = pageCss(page({ name: "s", layers: [picture("a", { depth: 1 })] }), assets);
    const still = css.slice(0, css.indexOf("@media screen and (prefers-reduced-motion: no-preference)"));
    expect(still).not.toMatch(/animation|view-timeline|@keyframes/);
    expect(css).toContain("@supports (animation-timeline: view())");
    const around: string[] = [];
    let moving = 0;
    walk(parse(css), {
      enter: (node: CssNode) => {
        if (node.type === "Atrule") around.push(node.prelude ? generate(node.prelude) : node.name);
        if (node.type !== "Declaration" || !/^(animation|view-timeline)/.test(node.property)) return;
        moving++;
        expect(around.join(" "), node.property).toContain(
          "screen and (prefers-reduced-motion:no-preference)",
        );
      },
      leave: (node: CssNode) => void (node.type === "Atrule" && around.pop()),
    });
    expect(moving).toBeGreaterThan(3);
  });

  test("covers the whole passage of a pane beside a scene that is as high as its content", () => {
    const rule = (css: string, name: string) =>
      [...css.matchAll(new RegExp(`\\[data-lumbit-scene="${name}"\\] \\{([^}]*)\\}`, "g"))]
        .map(([, body]) => body)
        .join();
    const flow: Scene = { name: "flow", content: [{ text: "Tide" }], layers: [] };
    const pane: Scene = { name: "pane", height: "40vh", layers: [picture("a", { depth: 1 })] };
    const css = pageCss(page(flow, pane), assets);
    expect(rule(css, "pane")).toContain("--lumbit-from: 0px");
    expect(rule(css, "pane")).not.toContain("--lumbit-to");
    expect(rule(pageCss(page(pane, flow), assets), "pane")).toContain("--lumbit-to: var(--lumbit-length)");
  });

  test("gives a button its padding, twice as much beside its text as above", () => {
    const block = { text: "Visit", href: "#s", background: "#034", padding: "10px" } as const;
    const css = pageCss(page({ name: "s", content: [block], layers: [] }), assets);
    expect(css).toMatch(
      /\[data-lumbit-block="0"\] > a \{ [^}]*background: #034; padding: 10px calc\(2 \* 10px\);/,
    );
  });

  test("puts what stands in for a font behind it in every list", () => {
    const fontStacks = { Mill: { fontFamily: 'Mill, "Mill Fallback"', fontFaces: "@font-face { }" } };
    const layers: Layer[] = [
      { name: "a", text: "a", fontFamily: "Georgia, Mill, serif" },
      { name: "b", text: "b", fontFamily: '"Mill"' },
      { name: "c", text: "c", fontFamily: "Millstone, serif" },
    ];
    const css = pageCss(page({ name: "s", layers }), { ...assets, fontStacks });
    expect(css).toContain('font-family: Georgia,Mill, "Mill Fallback", serif;');
    expect(css).toContain('font-family: Mill, "Mill Fallback";');
    expect(css).toContain("font-family: Millstone, serif;");
  });
});

test("a rule changes how a layer looks, and nothing else of it", () => {
  const rules = [
    { media: "(max-width: 600px)", background: "#0a6", shadow: "0 0 4px #000", radius: "8px" } as const,
  ];
  const place = { left: 0, top: 0, width: "40px", height: "40px" } as const;
  const layers = [{ name: "lamp", shape: "rectangle", background: "#fc6", place, rules }] as const;
  const page: Page = { format: "lumbit/1", title: "t", lang: "en", scenes: [{ name: "a", layers }] };
  const css = pageCss(page, { pictures: {}, fonts: {} });
  const [, changed] = /@media \(max-width: 600px\) \{[^{]*"lamp"\][^{]*\{([^}]*)\}/.exec(css) ?? [];
  expect(changed?.trim()).toBe("background: #0a6; box-shadow: 0 0 4px #000; border-radius: 8px;");
});
