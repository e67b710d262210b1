import { mkdirSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { readPage } from "lumbit/document";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { accessibilityFaults, openChromium } from "../../../test/chromium.ts";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";
import { casesIn, type Engine, engineNames, engineOf } from "../../../test/engines.ts";
import { serveFolder } from "../../../test/serve.ts";
import { withValue } from "../src/value.ts";

const names = readdirSync(join(root, "examples/recipes")).sort();
const screen = { width: 1280, height: 800 };

/** What is to be seen of a page at one scroll position. */
interface Seen {
  scroll: number;
  /** The scenes' tops on the screen, and their heights with what they hold. */
  scenes: Record<string, { top: number; height: number; width: number }>;
  layers: Record<string, Layer>;
  panes: Record<string, { top: number }>;
  backdrop: number;
  /** The tops of headings in the content. */
  headings: number[];
  /** Of the content of scenes: its top, that of its words, and what is done with what is seen through its panel. */
  panels: { top: number; words: number; behind: string }[];
  titles: string[];
}
interface Layer {
  x: number;
  y: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
  z: number;
  opacity: number;
  clip: string;
  filter: string;
  transform: string;
  rotate: number;
  /** The font weights of its letters, where each has its own. */
  weights: number[];
}

const see = (scroll: string) => `
  scrollTo({ top: ${scroll}, behavior: "instant" });
  for (let n = 0; n < 5; n++) await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
  const box = (element) => element.getBoundingClientRect();
  const named = (attribute, of) => Object.fromEntries([...document.querySelectorAll("[" + attribute + "]")].map((element) => [element.getAttribute(attribute), of(element)]));
  const layer = (element) => {
    const { left, top, right, bottom } = box(element);
    const style = getComputedStyle(element);
    return { left, top, right, bottom, x: (left + right) / 2, y: (top + bottom) / 2, z: Number(style.zIndex), opacity: Number(style.opacity),
      clip: style.clipPath, filter: style.filter, transform: style.transform, rotate: Number.parseFloat(style.rotate),
      weights: [...element.querySelectorAll("[data-lumbit-is~=piece]")].map((piece) => Number(getComputedStyle(piece).fontWeight)) };
  };
  const shown = (element) => element.textContent;
  return JSON.stringify({ scroll: scrollY, scenes: named("data-lumbit-scene", (element) => { const { top, height, width } = box(element); return { top, height, width }; }),
    layers: named("data-lumbit-layer", layer), panes: named("data-lumbit-pane", (element) => ({ top: box(element).top })),
    backdrop: box(document.querySelector("[data-lumbit-backdrop]") ?? document.body).top,
    headings: [...document.querySelectorAll("h2[data-lumbit-block]")].map((element) => box(element).top),
    panels: [...document.querySelectorAll("[data-lumbit-is~=content]")].map((element) => ({ top: box(element).top, words: box(element.firstElementChild).top, behind: getComputedStyle(element).backdropFilter })),
    titles: [...document.querySelectorAll("[data-lumbit-shown] [data-lumbit-is~=title]")].map(shown) });`;

/** A page of a recipe in an engine, looked at when a share of a scene's passage is over, or at a scroll position. */
class Looked {
  constructor(
    readonly engine: Engine,
    readonly scene: string,
  ) {}
  at = async (share: number): Promise<Seen> =>
    this.scrolled(
      `(() => { const { top, height } = document.querySelector('[data-lumbit-scene="${this.scene}"]').getBoundingClientRect(); return top + scrollY - innerHeight + ${share} * (innerHeight + height); })()`,
    );
  scrolled = async (to: string | number): Promise<Seen> =>
    JSON.parse(await this.engine.run<string>(see(String(to))));
  /** When a share of the time is over for which the scene is all of the screen. */
  contained = async (share: number): Promise<Seen> => {
    const { scenes } = await this.at(0);
    const { height } = scenes[this.scene] as { height: number };
    return this.at((screen.height + share * (height - screen.height)) / (screen.height + height));
  };
}

const near = (found: number, right: number, most = 1) =>
  expect(Math.abs(found - right), `${found} where ${right} is right`).toBeLessThan(most);
const of = (seen: Seen, name: string): Layer => seen.layers[name] ?? expect.fail(`no layer ${name}`);
/** How far something went on the screen for every px scrolled. */
const speed = (a: Seen, b: Seen, of: (seen: Seen) => number) => (of(a) - of(b)) / (b.scroll - a.scroll);

const goes = (a: Seen, b: Seen, of: (seen: Seen) => number, right: number) =>
  near(speed(a, b, of), right, 0.01);

/** What each recipe promises, in numbers. */
const claims: Record<string, [scene: string, claim: (page: Looked) => Promise<void>]> = {
  "arriving-planes": [
    "arriving",
    async ({ at }) => {
      const [before, there] = [await at(0.35), await at(0.5)];
      for (const [name, top] of [
        ["far", 0.46],
        ["floor", 0.72],
        ["title", 0.2],
      ] as const) {
        near(of(there, name).top, top * screen.height);
        const away = of(before, name).top - (before.scenes.arriving?.top ?? 0) - top * screen.height;
        if (name !== "title") expect(Math.abs(away)).toBeGreaterThan(40);
      }
    },
  ],
  "crossing-titles": [
    "crossing",
    async ({ at }) => {
      const [before, meet] = [await at(0.4), await at(0.5)];
      for (const name of ["above", "helmet", "below"]) near(of(meet, name).x, 640);
      expect(of(before, "above").x).toBeLessThan(620);
      near(of(before, "above").x + of(before, "below").x, 1280);
    },
  ],
  "deep-and-plain": [
    "pit",
    async ({ at }) => {
      const [a, b] = [await at(0.4), await at(0.6)];
      goes(a, b, (seen) => of(seen, "pit-water").top, 1 / 3.5);
      goes(a, b, (seen) => seen.scenes["plain-pit"]?.top ?? 0, 1);
    },
  ],
  "drifting-pictures": [
    "star",
    async ({ at }) => {
      const [a, b] = [await at(0.4), await at(0.6)];
      goes(a, b, (seen) => seen.headings[0] ?? 0, 1);
      goes(a, b, (seen) => of(seen, "star").top, 1 / 1.35);
    },
  ],
  "faster-screen": [
    "log",
    async ({ at }) => {
      const [a, b] = [await at(0.4), await at(0.6)];
      goes(a, b, (seen) => seen.panes.screen?.top ?? 0, 1);
      expect(speed(a, b, (seen) => of(seen, "line-5").top)).toBeGreaterThan(1.5);
      goes(a, b, (seen) => of(seen, "lantern").top, 1 / 2.1);
    },
  ],
  "fixed-and-slower": [
    "windows",
    async ({ at }) => {
      const [a, b] = [await at(0.4), await at(0.6)];
      goes(a, b, (seen) => of(seen, "fixed").top, 0);
      goes(a, b, (seen) => of(seen, "slower").top, 0.5);
    },
  ],
  "four-screens": [
    "fall",
    async ({ at, scrolled }) => {
      const { scenes, scroll, layers } = await at(0.5);
      const top = scroll + (scenes.fall?.top ?? 0);
      for (const [name, place] of [
        ["twilight", 1.5],
        ["dusk", 2.45],
        ["night", 3.4],
      ] as const) {
        const { bottom, top: above } = layers[name] as Layer;
        const half = (bottom - above) / 2;
        near(of(await scrolled(top + place * 800 + half - 400), name).y, 400);
      }
      const [a, b] = [await at(0.35), await at(0.65)];
      near(
        speed(a, b, (seen) => of(seen, "lantern").top),
        0,
        0.005,
      );
    },
  ],
  "letters-gaining-weight": [
    "rule-1",
    async ({ at }) => {
      const [before, during, after] = [await at(0.15), await at(0.36), await at(0.6)];
      expect(new Set(of(before, "words-1").weights)).toEqual(new Set([250]));
      expect(new Set(of(after, "words-1").weights)).toEqual(new Set([680]));
      const weights = of(during, "words-1").weights;
      expect((weights[0] ?? 0) - (weights.at(-1) ?? 0)).toBeGreaterThan(200);
    },
  ],
  "low-band": [
    "band",
    async ({ at }) => {
      for (const share of [0.2, 0.5, 0.8]) {
        const seen = await at(share);
        const { top = 0, height = 0, width } = seen.scenes.band ?? {};
        near(width ?? 0, 760);
        expect(of(seen, "shelf").top).toBeLessThanOrEqual(Math.max(top, 0));
        expect(of(seen, "shelf").bottom).toBeGreaterThanOrEqual(Math.min(top + height, 800));
      }
    },
  ],
  "cards-abreast": [
    "race",
    async ({ scrolled }) => {
      const [a, b] = [await scrolled(600), await scrolled(900)];
      const cards = ["anemone", "star", "jelly"];
      for (const card of cards) goes(a, b, (seen) => of(seen, card).top, 1 / 0.85);
      const [first, second, third] = cards.map((card) => of(a, card));
      near(second?.left ?? 0, (first?.right ?? 0) + 0.02 * screen.width);
      near(third?.left ?? 0, (second?.right ?? 0) + 0.02 * screen.width);
      near((first?.x ?? 0) + (third?.x ?? 0), screen.width);
      // As high as the one with the most words.
      near(first?.bottom ?? 0, third?.bottom ?? 0);
    },
  ],
  "rising-sheet": [
    "visit",
    async ({ at }) => {
      const [a, b, c] = [await at(0.2), await at(0.5), await at(0.8)];
      goes(a, b, (seen) => of(seen, "title").top, 1.25);
      for (const seen of [a, b, c]) {
        const { top = 0, height = 0 } = seen.scenes.visit ?? {};
        expect(of(seen, "sheet").top).toBeLessThanOrEqual(Math.max(top, 0));
        expect(of(seen, "sheet").bottom).toBeGreaterThanOrEqual(Math.min(top + height, screen.height));
      }
      // At the settle moment its words are in the middle of the frame.
      const { top = 0, height = 0 } = b.scenes.visit ?? {};
      near(of(b, "words").y, top + height / 2);
    },
  ],
  "calm-panel": [
    "reading",
    async ({ at }) => {
      const [a, b] = [await at(0.3), await at(0.6)];
      goes(a, b, (seen) => of(seen, "school").top, 1 / 1.9);
      const [panel, later] = [a.panels[0], b.panels[0]];
      near(((panel?.top ?? 0) - (later?.top ?? 0)) / (b.scroll - a.scroll), 1, 0.01);
      // Its panel stands around its words, and softens what passes behind them.
      near((panel?.words ?? 0) - (panel?.top ?? 0), 2.2 * 16);
      expect(panel?.behind).toBe("blur(16px)");
    },
  ],
  "one-part-many": [
    "marks",
    async ({ scrolled }) => {
      const [a, b] = [await scrolled(0), await scrolled(300)];
      const marks = [0.2, 0.7, 1.2, 1.7, 2.2].map((depth, index) => ({ depth, name: `mark-${index + 1}` }));
      for (const { depth, name } of marks) goes(a, b, (seen) => of(seen, name).top, 1 / (1 + depth));
      for (const [index, { name }] of marks.entries())
        near(of(a, name).left, (0.09 + 0.185 * index) * screen.width);
      const [first, second, third] = ["day-1", "day-2", "day-3"].map((name) => a.scenes[name]);
      near(second?.top ?? 0, (first?.top ?? 0) + (first?.height ?? 0));
      near(third?.top ?? 0, (second?.top ?? 0) + (second?.height ?? 0));
    },
  ],
  "one-title-reel": [
    "five",
    async ({ contained }) => {
      const seen = [await contained(0.02), await contained(0.5), await contained(0.98)];
      expect(seen.map(({ titles }) => titles)).toEqual([["Sea bass"], ["Sea star"], ["Comb jelly"]]);
    },
  ],
  overtaking: [
    "hero",
    async ({ at, scrolled }) => {
      const [before, after] = [await scrolled(0), await at(0.82)];
      expect(of(before, "float").top).toBeGreaterThan(of(before, "title").bottom);
      expect(of(after, "float").y).toBeLessThan(of(after, "title").y);
      near(of(after, "title").opacity, 0, 0.01);
    },
  ],
  "panes-against": [
    "moons",
    async ({ at }) => {
      const [a, b] = [await at(0.4), await at(0.6)];
      const inside = (seen: Seen, name: string) => of(seen, name).top - (seen.panes[name]?.top ?? 0);
      const drift = (0.8 / 1.8) * (b.scroll - a.scroll);
      near(inside(b, "neap") - inside(a, "neap"), drift);
      near(inside(b, "spring") - inside(a, "spring"), -drift);
    },
  ],
  "six-hills": [
    "range",
    async ({ at, scrolled }) => {
      const [a, b] = [await scrolled(0), await scrolled(300)];
      const depths = [9, 5, 3, 1.8, 0.9, 0.3];
      const hills = depths.map((_, index) => `hill-${index + 1}`);
      for (const [index, depth] of depths.entries())
        goes(a, b, (seen) => of(seen, hills[index] ?? "").top, 1 / (1 + depth));
      const order = hills.map((name) => of(a, name).z);
      expect(order).toEqual(order.toSorted((first, second) => first - second));
      const [low, high] = [await at(0.6), await at(0.86)];
      expect(of(low, "moon").top - of(high, "moon").top).toBeGreaterThan(200);
    },
  ],
  "slower-page": [
    "notes",
    async ({ scrolled }) =>
      near(
        speed(await scrolled(0), await scrolled(600), ({ backdrop }) => backdrop),
        0.25,
        0.01,
      ),
  ],
  "softening-header": [
    "header",
    async ({ at, scrolled }) => {
      expect(of(await scrolled(0), "title").filter).toMatch(/blur\(0px\)/);
      const gone = of(await at(0.9), "title");
      expect(gone.filter).toMatch(/blur\(14px\)/);
      near(gone.rotate, -5, 0.01);
    },
  ],
  "taken-along": [
    "card",
    async ({ scrolled }) => {
      const [a, b] = [await scrolled(0), await scrolled(240)];
      near(a.scenes.card?.width ?? 0, 620);
      near(a.scenes.card?.height ?? 0, 420);
      near(of(a, "words").left, (screen.width - 620) / 2 + 0.07 * 620);
      for (const [name, depth] of [
        ["water", 1.8],
        ["shoal", 0.6],
        ["floor", 0],
        ["words", 0],
      ] as const)
        goes(a, b, (seen) => of(seen, name).top, 1 / (1 + depth));
      // No edge of the water shows in what is seen of the card, wherever that is.
      for (const seen of [a, b]) {
        const { top = 0, height = 0 } = seen.scenes.card ?? {};
        expect(of(seen, "water").top).toBeLessThanOrEqual(top);
        expect(of(seen, "water").bottom).toBeGreaterThanOrEqual(Math.min(top + height, screen.height));
      }
    },
  ],
  "tied-picture": [
    "shore",
    async ({ at }) => {
      const [a, b] = [await at(0.25), await at(0.75)];
      near(of(b, "float").rotate - of(a, "float").rotate, 270, 0.5);
      near(of(b, "float").x - of(a, "float").x, 0.42 * 1280);
    },
  ],
  "turning-card": [
    "drawer",
    async ({ at, engine }) => {
      const { layers } = await at(0.5);
      const { left, top } = layers.card as Layer;
      await engine.run(`const card = document.querySelector('[data-lumbit-layer="card"]');
        for (let n = 0; n < 20; n++) { card.dispatchEvent(new PointerEvent("pointermove", { bubbles: true, pointerType: "mouse", isPrimary: true, clientX: ${left + 20 + 0}, clientY: ${top + 20} })); await new Promise((done) => setTimeout(done, 30)); }`);
      const turned = await at(0.5);
      expect(of(turned, "card").transform).toMatch(/^matrix3d/);
    },
  ],
  "two-arrangements": [
    "bench",
    async ({ contained }) => {
      const [start, end] = [await contained(0.1), await contained(0.9)];
      near(of(start, "helmet").left, 0.08 * 1280);
      near(of(end, "helmet").left, 0.32 * 1280);
      near(of(end, "helmet").top, 0.38 * 800);
      near(of(end, "shell").left, 0.58 * 1280);
    },
  ],
  "wiping-gallery": [
    "gallery",
    async ({ contained }) => {
      const [first, second] = [await contained(0.26), await contained(0.73)];
      const cut = (seen: Seen, name: string) =>
        Math.max(...(of(seen, name).clip.match(/[\d.]+(?=%)/g) ?? []).map(Number));
      near(cut(first, "pit"), 50);
      near(cut(second, "deep"), 50);
    },
  ],
  "words-between": [
    "between",
    async ({ scrolled }) => {
      const seen = await scrolled(0);
      const order = ["far-kelp", "title", "near-left", "near-right"].map((name) => of(seen, name).z);
      expect(order).toEqual(order.toSorted((a, b) => a - b));
      goes(seen, await scrolled(200), (at) => of(at, "title").top, 1 / 2.2);
    },
  ],
};

let origin: string;
let close: () => void;
const home = temporaryFolder();
const sites = join(home, "sites");
beforeAll(async () => {
  mkdirSync(sites);
  for (const name of names) {
    await lumbit(["new", name, "--from", name], home);
    const { status, stderr } = await lumbit(
      ["build", `${name}/page.json`, "-o", `sites/${name}`, "--originals"],
      home,
    );
    expect([status, stderr]).toEqual([0, ""]);
  }
  ({ origin, close } = await serveFolder(sites, "default-src 'self' 'unsafe-eval'"));
});
afterAll(() => close?.());

test("every recipe has a claim, says what to play with, and goes as far as it says", () => {
  expect(Object.keys(claims).sort()).toEqual(names);
  for (const name of names) {
    const [page, recipe] = ["page.json", "recipe.json"].map((file) =>
      JSON.parse(readFileSync(join(root, "examples/recipes", name, file), "utf8")),
    );
    expect(recipe).toMatchObject({ title: expect.any(String), for: /\.$/, watch: /\.$/ });
    expect(recipe.play).toHaveLength(2);
    for (const { at, least, most } of recipe.play)
      for (const value of [least, most])
        expect(readPage(JSON.stringify(withValue(page, at, value))).faults, `${name} ${at} ${value}`).toEqual(
          [],
        );
  }
});

describe.each(engineNames)("%s", (engineName) => {
  test.each(casesIn(engineName, names))("%s keeps its promise", async (name) => {
    const engine = await engineOf(engineName);
    await engine.open(`${origin}/${name}/index.html`);
    await engine.resize(screen.width, screen.height);
    await engine.run(
      "await document.fonts.ready; for (let n = 0; n < 5; n++) await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));",
    );
    const [scene, claim] = claims[name] ?? expect.fail(`no claim of ${name}`);
    await claim(new Looked(engine, scene));
    const aside = await engine.run<number>("return document.documentElement.scrollWidth - innerWidth;");
    expect(aside).toBeLessThanOrEqual(0);
  });
});

test.each(names)("nothing is found on %s", async (name) => {
  const { stdout } = await lumbit(["check", `${name}/page.json`, "--fail-on", "note"], home);
  expect(stdout).toContain("nothing found");
  const page = await (await openChromium()).newPage({ viewport: screen });
  await page.goto(`${origin}/${name}/index.html`);
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.close();
});
