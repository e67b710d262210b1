import type { Scene } from "lumbit/core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { engineNames, engineOf } from "./engines.ts";
import { partOf, partsServer } from "./parts-page.ts";

/** What pages of scenes load of the library, and when: `lumbit/scene` as bundlers find it. */

const server = partsServer();
let browser: Chromium;
beforeAll(async () => {
  browser = await openChromium();
});
afterAll(() => browser?.close());

const svg = (width: number, height: number, color: string) =>
  `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${color}"/></svg>`)}`;

const plain: Scene = {
  name: "low-water",
  height: "130vh",
  background: "#cde",
  settle: "middle",
  layers: [
    { name: "sky", image: svg(640, 400, "skyblue"), alt: "", depth: "horizon" },
    { name: "far", image: svg(900, 500, "slategray"), alt: "", depth: 2 },
    {
      name: "tank",
      image: svg(300, 200, "teal"),
      alt: "a tank",
      depth: 0.6,
      direction: 30,
      place: { left: "12%", top: "20vh", width: "31%" },
    },
    {
      name: "lamp",
      shape: "ellipse",
      background: "orange",
      speed: 1.4,
      opacity: 0.7,
      place: { right: "5vw", bottom: "4rem", width: "90px", height: "70px" },
    },
    {
      name: "sign",
      shape: "rectangle",
      background: "#123",
      depth: -0.3,
      href: "#boats",
      alt: "Boats",
      place: { left: "70%", top: "10%", width: "40px", height: "3vh" },
    },
    {
      name: "title",
      text: "Low water\nat Pellow Sound",
      as: "h1",
      title: true,
      depth: 0.2,
      fontSize: { min: "30px", max: "80px" },
      place: { center: "x", top: "40%" },
    },
  ],
};
/** A scene with what plain ones do not have: a hold, a reel, a pane, a group, a rule. */
const varied: Scene = {
  ...plain,
  hold: "900px",
  layers: [
    ...plain.layers.slice(0, 2),
    {
      name: "frame",
      image: svg(300, 200, "teal"),
      alt: "",
      depth: 0.6,
      pane: true,
      place: { left: "5%", top: "5%", width: "20%", height: "30vh" },
      rules: [{ media: "(min-width: 900px)", depth: 1.5 }],
    },
    {
      name: "hut",
      depth: 0.3,
      place: { right: "5%", top: "5%", width: "200px", height: "100px" },
      layers: [
        {
          name: "roof",
          shape: "rectangle",
          background: "#421",
          place: { left: 0, top: 0, width: "50%", height: "50%" },
        },
      ],
    },
    {
      name: "boats",
      reel: {},
      place: { left: 0, right: 0, bottom: "5%", height: "40%" },
      layers: ["one", "two", "three"].map((name) => ({
        name,
        layers: [
          {
            name: `${name}-sail`,
            shape: "rectangle" as const,
            background: "#fff",
            depth: 1,
            place: { left: "20%", top: "20%", width: "40%", height: "40%" },
          },
        ],
      })),
    },
  ],
};
const page = { haze: 0.3, focus: { depth: 0, blur: "4px" as const } };

const markup =
  '<!doctype html><body style="margin:0"><div style="height:1300px"></div><div id="host"></div><div style="height:1300px"></div>';
const mounting = (file: string, scene: unknown, more = "") =>
  `return import("/dist/${file}.js").then(({ mount }) => {
    window.live = mount(document.getElementById("host"), { scene: ${JSON.stringify(scene)}, page: ${JSON.stringify(page)}${more} });
    return document.querySelectorAll("#host *").length;
  });`;
/** Where everything in the scene is at some moments, and how it is drawn. */
const drawn = `
  const frame = () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  const seen = [];
  for (const top of [300, 900, 1400, 2300]) {
    scrollTo(0, top);
    await frame();
    for (const element of document.querySelectorAll("#host, #host *")) {
      const { left, top, width, height } = element.getBoundingClientRect();
      const { opacity, filter, zIndex } = getComputedStyle(element);
      seen.push([element.localName, left, top, width, height, opacity, filter, element.dataset.lumbitDriver]);
    }
  }
  return seen;`;

describe.each(engineNames)("a plain scene in %s", (name) => {
  test.each(["native", "scripted"])("is drawn as by the whole library, moved by %s", async (driver) => {
    const engine = await engineOf(name);
    const results: unknown[][][] = [];
    for (const file of ["scene", "lumbit"]) {
      await engine.open(server.addressOf(markup));
      await engine.resize(1000, 700);
      expect(await engine.run(mounting(file, plain, `, driver: "${driver}"`))).toBe(8);
      await engine.run("await new Promise((done) => setTimeout(done, 500))");
      results.push(await engine.run(drawn));
    }
    expectAlike(results);
    expect(results[0]?.length).toBe(36);
  });

  test.each(["native", "scripted"])(
    "becomes any other as if it had been that, moved by %s",
    async (driver) => {
      const engine = await engineOf(name);
      const results: unknown[][][] = [];
      for (const file of ["scene", "lumbit"]) {
        await engine.open(server.addressOf(markup));
        await engine.resize(1000, 700);
        await engine.run(mounting(file, file === "scene" ? plain : varied, `, driver: "${driver}"`));
        if (file === "scene") await engine.run(`live.update(${JSON.stringify(varied)})`);
        await engine.run("await new Promise((done) => setTimeout(done, 900))");
        results.push(await engine.run(drawn));
      }
      expectAlike(results);
      expect(results[0]?.length).toBeGreaterThan(50);
    },
  );
});

/** The same elements are at the same places, within a hundredth of a pixel. */
function expectAlike([own = [], whole = []]: unknown[][][]): void {
  expect(own.length).toBe(whole.length);
  for (const [index, parts] of own.entries())
    for (const [at, value] of parts.entries())
      if (typeof value === "number") expect(value).toBeCloseTo(whole[index]?.[at] as number, 2);
      else expect(value).toBe(whole[index]?.[at]);
}

/** Mounts a scene, and gives the page with the parts that it asks for. */
async function opened(scene: unknown, more = "") {
  const page = await browser.newPage({ viewport: { width: 1000, height: 700 } });
  const parts = new Set<string>();
  page.on("request", (request) => {
    const part = partOf(request.url());
    if (part) parts.add(part);
  });
  await page.goto(server.addressOf(markup));
  const run = <T>(body: string) => page.evaluate(`(async () => { ${body} })()`) as Promise<T>;
  const count = await run<number>(mounting("scene", scene, more));
  return { page, run, count, asked: () => [...parts].sort() };
}

const ramped = (scene: Scene): Scene => ({
  ...scene,
  layers: [
    ...scene.layers,
    {
      name: "note",
      text: "*Mind* the step",
      place: { left: "10%", bottom: "10%" },
      ramps: [
        {
          property: "opacity",
          stops: [
            { at: "entry 0%", value: 0 },
            { at: "entry 90%", value: 1 },
          ],
        },
      ],
    },
  ],
});

describe("a page of scenes", () => {
  test("that are plain loads nothing more", async () => {
    const { page, asked, count } = await opened(plain);
    expect(count).toBe(8);
    await page.waitForTimeout(300);
    expect(asked()).toEqual([]);
    await page.close();
  });

  test("of other kinds is as high as they are, until who builds them is there", async () => {
    const release = server.hold();
    const { page, run, asked, count } = await opened({ ...ramped(plain), hold: "400px" });
    const height = () => run('return document.getElementById("host").getBoundingClientRect().height');
    expect(count).toBe(0);
    expect(await height()).toBeCloseTo(1310, 1);
    expect(asked()).toEqual(["build"]);
    release();
    await expect
      .poll(() => run("return document.querySelectorAll('#host em').length"), { timeout: 5000 })
      .toBe(1);
    expect(await height()).toBeCloseTo(1310, 1);
    await page.close();
  });

  test("that is changed keeps its elements", async () => {
    const { page, run, asked } = await opened(plain);
    await run('window.kept = [...document.querySelectorAll("#host *")]');
    const changed = { ...plain, layers: plain.layers.map((layer) => ({ ...layer, opacity: 0.5 })) };
    await run(`live.update(${JSON.stringify(changed)})`);
    const opacity = () =>
      run("return getComputedStyle(document.querySelector('#host h1')).opacity").then(Number);
    await expect.poll(opacity, { timeout: 5000 }).toBeCloseTo(0.48, 1);
    expect(asked()).toEqual(["build"]);
    expect(
      await run(
        'return kept.every((element, index) => element === document.querySelectorAll("#host *")[index])',
      ),
    ).toBe(true);
    await run(`live.update(${JSON.stringify(ramped(changed))})`);
    expect(await run('return document.querySelector("#host em").textContent')).toBe("Mind");
    await page.close();
  });

  test.each(["native", "scripted"])(
    "does with %s what was said before who builds them is there",
    async (driver) => {
      const release = server.hold();
      const { page, run } = await opened(ramped(plain), `, driver: "${driver}"`);
      await run(
        'live.pause(); live.on("progress", ({ progress }) => { window.progress = progress }); live.jump("low-water")',
      );
      expect(await run("return live.driver")).toBe(driver);
      // In the middle of its passage: half of it and of the screen.
      expect(await run("return scrollY")).toBeCloseTo(1300 + 910 / 2 - 350, 0);
      release();
      await expect
        .poll(() => run("return document.querySelectorAll('#host em').length"), { timeout: 5000 })
        .toBe(1);
      await page.waitForTimeout(200);
      const top = () =>
        run<number>(
          "const [host, layer] = ['#host', '[data-lumbit-layer=far]'].map((one) => document.querySelector(one).getBoundingClientRect().top); return layer - host",
        );
      const still = await top();
      await scrollPage(page, 1100);
      expect(await top()).toBeCloseTo(still, 1);
      await run("live.resume()");
      await scrollPage(page, 1101);
      expect(Math.abs((await top()) - still)).toBeGreaterThan(50);
      expect(await run("return window.progress")).toBeGreaterThan(0);
      await page.close();
    },
  );

  test.each([
    ["plain", plain],
    ["any", ramped(plain)],
  ])("that are %s leaves existing markup where it is", async (_, scene) => {
    const page = await browser.newPage({ viewport: { width: 1000, height: 700 } });
    await page.goto(
      server.addressOf(
        `${markup}<section data-lumbit-scene style="height:600px"><p data-lumbit-depth="1" style="translate:70px 0">Low water</p></section><div style="height:1300px">`,
      ),
    );
    const run = <T>(body: string) => page.evaluate(`(async () => { ${body} })()`) as Promise<T>;
    await run('(await import("/dist/markup.js")).mount(document.body)');
    await scrollPage(page, 2400);
    const left = () => run("return document.querySelector('body > section p').getBoundingClientRect().left");
    expect(await left()).toBeCloseTo(70, 1);
    await run(mounting("scene", scene));
    await page.waitForTimeout(300);
    expect(await run("return document.querySelectorAll('#host h1').length")).toBe(1);
    expect(await left()).toBeCloseTo(70, 1);
    await page.close();
  });

  test.each([
    ["plain", plain],
    ["any", ramped(plain)],
  ])("is as it was when they are disposed of: %s", async (_, scene) => {
    const release = server.hold();
    const { page, run } = await opened(scene);
    await run("live.dispose()");
    release();
    await page.waitForTimeout(300);
    expect(await run('return document.getElementById("host").outerHTML')).toBe('<div id="host"></div>');
    expect(await run("return document.adoptedStyleSheets.length")).toBe(0);
    await page.close();
  });
});
