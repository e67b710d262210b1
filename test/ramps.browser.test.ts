import { cpSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { openChromium, scrollPage } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { serveFolder } from "./serve.ts";

const stops = (from: string | number, to: string | number) => [
  { at: "cover 0%", value: from },
  { at: "cover 100%", value: to },
];
const place = (top: number) => ({ left: "10%", width: "60%", top: `${top}%` });
const layers = [
  {
    name: "color",
    text: "Ebb",
    place: place(0),
    ramps: [{ property: "color", stops: stops("#000000", "#c86432") }],
  },
  {
    name: "spacing",
    text: "Ebb",
    place: place(10),
    ramps: [{ property: "letterSpacing", stops: stops("0px", "10px") }],
  },
  {
    name: "weight",
    text: "Ebb",
    place: place(20),
    ramps: [{ property: "fontWeight", stops: stops(300, 900) }],
  },
  {
    name: "axis",
    text: "Ebb",
    place: place(30),
    ramps: [{ property: "axis", axis: "wght", stops: stops(300, 900) }],
  },
  {
    name: "clip",
    shape: "rectangle",
    background: "#0a6",
    place: { ...place(40), height: "20%" },
    ramps: [
      { property: "clip", stops: stops("0% 100% 0% 0%", "0% 0% 0% 0%") },
      { property: "color", stops: stops("#000000", "#c86432") },
    ],
  },
  {
    name: "position",
    shape: "ellipse",
    background: "linear-gradient(#fff, #000)",
    place: { ...place(60), height: "20%" },
    ramps: [{ property: "backgroundPosition", stops: stops("0% 100%", "100% 0%") }],
  },
  {
    name: "letters",
    text: "Tide \u{1F9D1}\u200D\u{1F33E}s",
    as: "h2",
    place: place(80),
    ramps: [
      { property: "fontWeight", pieces: "letters", stagger: 0.5, stops: stops(300, 900) },
      { property: "opacity", pieces: "letters", stagger: 0.5, stops: stops(0, 1) },
    ],
  },
];
layers.push({
  name: "lines",
  text: "High water at six, and the mill wheel turns with it",
  as: "h3",
  place: { left: "80%", width: "150px", top: "0%" },
  ramps: [{ property: "opacity", pieces: "lines", stagger: 0.5, stops: stops(0, 1) }],
} as (typeof layers)[number]);
const document = {
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  page: { fontFamily: "Figtree, sans-serif" },
  fonts: [{ family: "Figtree", src: "figtree.woff2", weight: "300 900" }],
  scenes: [
    { name: "before", height: "120vh", layers: [] },
    { name: "scene", height: "80vh", layers },
    { name: "after", height: "120vh", layers: [] },
  ],
};

const folder = temporaryFolder();
let origin: string;
let close: () => void;
beforeAll(async () => {
  cpSync(join(root, "examples/tidehouse/fonts/figtree.woff2"), join(folder, "figtree.woff2"));
  writeFileSync(join(folder, "page.json"), JSON.stringify(document));
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  const policy = "default-src 'self'; script-src 'self' 'unsafe-eval'";
  ({ origin, close } = await serveFolder(join(folder, "site"), policy));
  cpSync(join(root, "packages/lumbit/dist/browser/scripted.js"), join(folder, "site/scripted.js"));
});
afterAll(() => close?.());

const loadDriver =
  'await new Promise((done) => document.head.append(Object.assign(document.createElement("script"), { type: "module", src: "/scripted.js", onload: done })));';

const readStyles = `
const of = (name) => getComputedStyle(document.querySelector("[data-lumbit-layer=" + name + "]"));
const numbers = (text) => (text.match(/-?[\\d.]+/g) ?? []).map(Number);
return {
  color: numbers(of("color").color),
  spacing: numbers(of("spacing").letterSpacing)[0] ?? 0,
  weight: Number(of("weight").fontWeight),
  axis: numbers(of("axis").fontVariationSettings)[0],
  clip: numbers(of("clip").clipPath)[1] ?? 0,
  background: numbers(of("clip").backgroundColor),
  position: numbers(of("position").backgroundPosition),
  lines: [...document.querySelectorAll("[data-lumbit-layer=lines] > span")].map((piece) => [piece.offsetTop, Number(getComputedStyle(piece).opacity)]),
  letters: [...document.querySelectorAll("[data-lumbit-layer=letters] > span")].map((piece) => [Number(getComputedStyle(piece).fontWeight), Number(getComputedStyle(piece).opacity)]),
};`;

describe.each(engineNames)("%s", (name) => {
  test.each(["native", "scripted"])("ramps of what a pose does not tell of, %s", async (driver) => {
    const engine = await engineOf(name);
    await engine.open(`${origin}/`);
    await engine.resize(1000, 800);
    const start = driver === "scripted" ? loadDriver : "";
    await engine.run(
      `${start} await document.fonts.ready; await new Promise((done) => setTimeout(done, 200));`,
    );
    // The scene begins 960 px down the page, its passage is 1440 px long.
    for (const share of [0, 0.2, 0.5, 0.85, 1, 0.4]) {
      const scroll = 160 + share * 1440;
      await engine.run(
        `scrollTo({ top: ${scroll}, behavior: "instant" }); for (let frame = 0; frame < 2; frame++) await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));`,
      );
      const found = await engine.run<
        Record<string, number | number[]> & { letters: [number, number][]; lines: [number, number][] }
      >(readStyles);
      const near = (value: unknown, wanted: number[], digits: number, what: string) => {
        for (const [index, number] of wanted.entries())
          expect([value].flat()[index], `${what} at ${share}`).toBeCloseTo(number, digits);
      };
      near(found.color, [200 * share, 100 * share, 50 * share], -0.5, "color");
      near(found.background, [200 * share, 100 * share, 50 * share], -0.5, "background");
      near(found.spacing, [10 * share], 1, "spacing");
      near(found.weight, [300 + 600 * share], 0, "weight");
      near(found.axis, [300 + 600 * share], 0, "axis");
      near(found.clip, [100 - 100 * share], 0, "clip");
      near(found.position, [100 * share, 100 - 100 * share], 0, "position");
      // Each line on the screen takes half of the way, the last to its end.
      const tops = [...new Set(found.lines.map(([top]) => top))];
      expect(tops.length).toBeGreaterThan(2);
      for (const [top, opacity] of found.lines) {
        const own = (share - (0.5 * tops.indexOf(top)) / (tops.length - 1)) / 0.5;
        expect(opacity, `the line at ${top}, at ${share}`).toBeCloseTo(Math.min(Math.max(own, 0), 1), 1);
      }
      // Six letters, the grower of kelp is one: each takes half of the way, a tenth of it after the one before.
      expect(found.letters).toHaveLength(6);
      for (const [index, [weight, opacity]] of found.letters.entries()) {
        const own = Math.min(Math.max((share - 0.1 * index) / 0.5, 0), 1);
        expect(weight, `letter ${index} at ${share}`).toBeCloseTo(300 + 600 * own, -0.5);
        expect(opacity, `letter ${index} at ${share}`).toBeCloseTo(own, 1);
      }
    }
  });
});

test("a text in pieces stays one to those who listen, search and copy", async () => {
  const browser = await openChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
    await page.goto(`${origin}/`);
    await scrollPage(page, 1200);
    const whole = "Tide \u{1F9D1}\u200D\u{1F33E}s";
    await expect(page.getByRole("heading", { name: whole, exact: true }).count()).resolves.toBe(1);
    const heading = page.locator("h2");
    expect(await heading.textContent()).toBe(whole);
    expect(await heading.innerText()).toBe(whole);
    expect(
      await heading.evaluate((element) => {
        getSelection()?.selectAllChildren(element);
        return String(getSelection());
      }),
    ).toBe(whole);
    expect(await page.evaluate('getSelection().removeAllRanges(); find("Tide")')).toBe(true);
  } finally {
    await browser.close();
  }
});
