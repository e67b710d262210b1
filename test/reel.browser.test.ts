import { cpSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { reelPage } from "../bench/pages.mjs";
import { traced } from "../bench/trace.mjs";
import { accessibilityFaults, type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

const slides = ["bass", "star", "jelly"].map((name) => ({
  name,
  background: "#123",
  layers: [
    { name: `picture-${name}`, shape: "rectangle", background: "#064", depth: 0.5 },
    {
      name: `title-${name}`,
      text: name,
      as: "h2",
      color: "#fff",
      title: true,
      place: { left: "10%", top: "10%" },
    },
  ],
}));
const pageWith = (reel: object) => ({
  format: "lumbit/1",
  title: "Tidehouse",
  lang: "en",
  scenes: [
    { name: "top", height: "100vh", layers: [{ name: "head", text: "Tidehouse", as: "h1" }] },
    {
      name: "five",
      height: "100vh",
      hold: "200vh",
      layers: [{ name: "reel", reel: { width: "80%", ...reel }, layers: slides }],
    },
    { name: "end", height: "100vh", layers: [] },
  ],
});
const document = pageWith({});

let browser: Chromium;
let origin: string;
let close: () => void;
beforeAll(async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(document));
  const { stdout, stderr } = await lumbit(["build", "page.json", "-o", "site"], folder);
  expect(stderr).toBe("");
  expect(stdout).toMatch(/[1-9]\d* bytes of script/);
  ({ origin, close } = await serveFolder(join(folder, "site")));
  cpSync(join(root, "packages/lumbit/dist"), join(folder, "site/dist"), { recursive: true });
  writeFileSync(
    join(folder, "site/mounted.html"),
    '<!doctype html><body style="margin: 0"><div style="height: 800px"></div><div id="host"></div><div style="height: 800px"></div><script type="module" src="/mounted.js"></script>',
  );
  writeFileSync(
    join(folder, "site/mounted.js"),
    `import { mount } from "/dist/lumbit.js";
window.told = [];
window.own = mount(document.getElementById("host"), { scene: ${JSON.stringify(document.scenes[1])} });
own.on("slide", ({ slide }) => told.push(slide.dataset.lumbitLayer));`,
  );
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  close?.();
});

async function open(options: object = {}): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 }, ...options });
  await page.goto(`${origin}/`);
  return page;
}
const shown = (page: Page) =>
  page.evaluate(() =>
    [...window.document.querySelectorAll("h2")].map((title) => Number(getComputedStyle(title).opacity)),
  );

test("the slide in view has its title in, the others have theirs out, back and forth", async () => {
  const page = await open();
  // The scene comes to the top after 800 px and holds for 1600; the slides travel 1400 px.
  for (const [scroll, titles] of [
    [800, [1, 0, 0]],
    [1600, [0, 1, 0]],
    [2400, [0, 0, 1]],
    [1600, [0, 1, 0]],
  ] as const) {
    await scrollPage(page, scroll);
    await page.waitForTimeout(900);
    expect(await shown(page), `at ${scroll}`).toEqual(titles);
  }
});

test("where slides go to the right the first is there first, its title too, and what is focused comes into view", async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(pageWith({ direction: "right" })));
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  const site = await serveFolder(join(folder, "site"));
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.goto(site.origin);
  const leftOf = async (name: string) => (await page.locator(`[data-lumbit-layer=${name}]`).boundingBox())?.x;
  for (const [scroll, titles, first] of [
    [800, [1, 0, 0], 200],
    [1600, [0, 1, 0], 900],
    [2400, [0, 0, 1], 1600],
  ] as const) {
    await scrollPage(page, scroll);
    await page.waitForTimeout(900);
    expect(await shown(page), `at ${scroll}`).toEqual(titles);
    expect(await leftOf("bass"), `at ${scroll}`).toBeCloseTo(first, 0);
  }
  await page.evaluate(() => {
    const slide = window.document.querySelector("[data-lumbit-layer=star]") as HTMLElement;
    slide.tabIndex = -1;
    slide.focus({ preventScroll: true });
  });
  await page.waitForTimeout(400);
  expect(await leftOf("star")).toBeCloseTo(100, 0);
  await page.close();
  site.close();
});

test("while slides come and go the page is not laid out in between", async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder, "page.json"), JSON.stringify(reelPage(1, 16)));
  expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
  const site = await serveFolder(join(folder, "site"));
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.goto(site.origin);
  await page.waitForTimeout(300);
  // What is read after something has changed is what forces a layout.
  await page.evaluate(() => {
    const counted = window as unknown as { reads: number };
    counted.reads = 0;
    const read = Element.prototype.getBoundingClientRect;
    Element.prototype.getBoundingClientRect = function () {
      counted.reads++;
      return read.call(this);
    };
    for (const name of ["offsetLeft", "offsetTop", "offsetWidth", "offsetHeight"] as const) {
      const { get } = Object.getOwnPropertyDescriptor(HTMLElement.prototype, name) ?? {};
      Object.defineProperty(HTMLElement.prototype, name, {
        get() {
          counted.reads++;
          return get?.call(this);
        },
      });
    }
  });
  await page.mouse.move(500, 400);
  const { frames, forced } = await traced(page, async () => {
    for (let step = 0; step < 60; step++) {
      await page.mouse.wheel(0, 100);
      await page.waitForTimeout(16);
    }
  });
  site.close();
  expect(await page.evaluate("reads")).toBe(0);
  expect(frames).toBeGreaterThan(20);
  expect(forced).toBe(0);
});

test("axe finds nothing", async () => {
  const page = await open({ bypassCSP: true });
  await scrollPage(page, 1600);
  await page.waitForTimeout(900);
  expect(await accessibilityFaults(page)).toEqual([]);
});

test("a reel has a name, and is a stop of the tab key where it is swiped and nowhere else", async () => {
  const wide = await open();
  await wide.goto(`${origin}/#five`);
  const reel = (page: Page) => page.getByRole("group", { name: "reel" });
  await reel(wide).waitFor();
  await wide.waitForTimeout(300);
  expect(await reel(wide).getAttribute("tabindex")).toBeNull();
  await wide.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => reel(wide).getAttribute("tabindex")).toBe("0");
  await reel(wide).focus();
  await wide.keyboard.press("ArrowRight");
  await expect.poll(() => reel(wide).evaluate(({ scrollLeft }) => scrollLeft)).toBeGreaterThan(20);
  await wide.close();
  const still = await open({ reducedMotion: "reduce" });
  await expect.poll(() => reel(still).getAttribute("tabindex")).toBe("0");
  await still.close();
});

test("what is focused in a slide brings the slide into view", async () => {
  const page = await open();
  await page.evaluate(() => {
    const link = window.document.createElement("a");
    link.href = "#end";
    link.textContent = "more";
    window.document.querySelector("[data-lumbit-layer=jelly]")?.append(link);
    link.focus({ preventScroll: true });
  });
  await page.waitForTimeout(400);
  const box = await page.locator("[data-lumbit-layer=jelly]").boundingBox();
  expect(box?.x).toBeCloseTo(200, 0);
  expect(box?.y).toBeCloseTo(0, 0);
});

test.each([
  ["a narrow screen", { viewport: { width: 390, height: 800 } }],
  ["a reader who asks for less motion", { reducedMotion: "reduce" }],
])("for %s it is a row to swipe, that snaps, and nothing holds", async (_, options) => {
  const page = await open(options);
  expect(await page.evaluate(() => window.document.documentElement.scrollHeight)).toBe(2400);
  const reel = page.locator("[data-lumbit-layer=reel]");
  const row = await reel.evaluate((element) => {
    element.scrollTo({ left: 1000, behavior: "instant" });
    const { scrollSnapType, overflowX } = getComputedStyle(element);
    return { scrollSnapType, overflowX, moved: element.scrollLeft > 0 };
  });
  expect(row).toEqual({ scrollSnapType: "x mandatory", overflowX: "auto", moved: true });
  expect(await shown(page)).toEqual([1, 1, 1]);
  await reel.focus();
  expect(await page.evaluate(() => window.document.documentElement.scrollWidth)).toBe(
    await page.evaluate(() => innerWidth),
  );
});

test("mounted, a program hears of every slide that comes into view, and everything goes when disposed of", async () => {
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.goto(`${origin}/mounted.html`);
  await page.waitForFunction("window.own");
  for (const scroll of [800, 1600, 2400]) {
    await scrollPage(page, scroll);
    await page.waitForTimeout(600);
  }
  expect(await page.evaluate("window.told")).toEqual(["bass", "star", "jelly"]);
  expect(await shown(page)).toEqual([0, 0, 1]);
  await page.evaluate("window.own.dispose()");
  expect(
    await page.locator("#host").evaluate((host) => [host.childElementCount, host.attributes.length]),
  ).toEqual([0, 1]);
});
