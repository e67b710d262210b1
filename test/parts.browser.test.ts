import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { partOf, partsServer } from "./parts-page.ts";

/** What pages of attributes load of the library, and when: `lumbit/markup` as bundlers find it. */

const server = partsServer();
let browser: Chromium;
beforeAll(async () => {
  browser = await openChromium();
});
afterAll(() => browser?.close());

/** Mounts a page, and gives it with the parts that it asks for. */
async function opened(scene: string, mount = "mount(document.body)") {
  const address = server.addressOf(
    `<!doctype html><style>p { margin: 0 }</style><body style="margin:0"><div style="height:1300px"></div>${scene}<div style="height:1300px"></div>`,
  );
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  const parts = new Set<string>();
  page.on("request", (request) => {
    const part = partOf(request.url());
    if (part) parts.add(part);
  });
  await page.goto(address);
  await page.evaluate(
    `window.said = []; console.warn = (text) => said.push(text); addEventListener("error", ({ error }) => said.push(error.message));
     import("/dist/markup.js").then(({ mount }) => { window.live = ${mount}; })`,
  );
  return { page, asked: () => [...parts].sort() };
}

const section = (scene: string, layer: string) =>
  `<section data-lumbit-scene ${scene} style="height:620px"><p style="width:90px" ${layer}>Low water</p></section>`;

const shiftOf = (page: Page) =>
  page.evaluate(() => {
    const [scene, layer] = ["section", "p"].map((name) => document.querySelector(name) as HTMLElement);
    return (layer?.getBoundingClientRect().top ?? 0) - (scene?.getBoundingClientRect().top ?? 0);
  });

const ramps = `data-lumbit-ramps='[{"property": "opacity", "stops": [{"at": "entry 0%", "value": 0}, {"at": "entry 90%", "value": 1}]}]'`;

describe("a page of attributes", () => {
  test.each([
    ["depths", "", 'data-lumbit-depth="1"'],
    ["a hold", 'data-lumbit-hold="500px" data-lumbit-settle="top"', ""],
    [
      "a look",
      'data-lumbit-haze="0.4"',
      'data-lumbit-depth="2" data-lumbit-blur="2px" data-lumbit-opacity="0.5"',
    ],
    [
      "directions",
      'data-lumbit-pan="0.1" data-lumbit-relief="0.5"',
      'data-lumbit-speed="1.3" data-lumbit-direction="60"',
    ],
  ])("of %s loads nothing more", async (_, scene, layer) => {
    const { page, asked } = await opened(section(scene, layer));
    await page.waitForTimeout(300);
    expect(await page.evaluate("said")).toEqual([]);
    expect(await page.evaluate('document.querySelectorAll("[data-lumbit-is]").length')).toBeGreaterThan(0);
    expect(asked()).toEqual([]);
    await page.close();
  });

  test.each([
    ["ramps", "", ramps, ["more"]],
    ["rules", "", `data-lumbit-rules='[{"media": "(max-width: 600px)", "depth": 2}]'`, ["more"]],
    ["a cue", "", `data-lumbit-cue='{"from": {"opacity": 0}}'`, ["cues", "more"]],
    ["sway", 'data-lumbit-sway="40px"', 'data-lumbit-depth="1"', ["sway"]],
    ["a wrong value", "", 'data-lumbit-depth="far"', ["more"]],
    ["an unknown name", "", 'data-lumbit-depht="1"', ["more"]],
  ])("with %s loads what that needs", async (_, scene, layer, wanted) => {
    const { page, asked } = await opened(section(scene, layer));
    await expect.poll(asked, { timeout: 5000 }).toEqual(wanted);
    await page.waitForTimeout(300);
    expect(asked()).toEqual(wanted);
    await page.close();
  });

  test("that gets something later which needs more loads it then", async () => {
    const { page, asked } = await opened(section("", 'data-lumbit-depth="1"'));
    await page.waitForTimeout(200);
    expect(asked()).toEqual([]);
    await page.evaluate('document.querySelector("p").setAttribute("data-lumbit-travel-y", "0px 300px")');
    await expect.poll(asked, { timeout: 5000 }).toEqual(["more"]);
    await scrollPage(page, 1210);
    await expect.poll(() => shiftOf(page), { timeout: 5000 }).toBeGreaterThan(100);
    await page.close();
  });

  test.each([
    ["", ["events", "scripted"]],
    [ramps, ["events", "more", "scripted"]],
  ])("that is moved by script does what was said before that was there: %s", async (more, parts) => {
    const release = server.hold();
    const { page, asked } = await opened(
      section("", `data-lumbit-depth="1" ${more}`),
      'mount(document.body, { driver: "scripted" })',
    );
    await page.waitForFunction("window.live");
    await page.evaluate(
      'live.pause(); live.on("progress", ({ progress }) => { window.progress = progress })',
    );
    release();
    await expect.poll(asked, { timeout: 5000 }).toEqual(parts);
    await page.waitForTimeout(200);
    expect(await page.evaluate("live.driver")).toBe("scripted");
    const still = await shiftOf(page);
    await scrollPage(page, 700);
    expect(await shiftOf(page)).toBe(still);
    await page.evaluate("live.resume()");
    await scrollPage(page, 701);
    expect(Math.abs((await shiftOf(page)) - still)).toBeGreaterThan(50);
    expect(await page.evaluate("window.progress")).toBeCloseTo(201 / 1420, 2);
    await page.close();
  });

  test("that is disposed of meanwhile stays as it was", async () => {
    const release = server.hold();
    const { page } = await opened(section('data-lumbit-sway="40px"', ramps));
    await page.waitForFunction("window.live");
    await page.evaluate("live.dispose()");
    const before = await page.evaluate("document.body.outerHTML");
    release();
    await page.waitForTimeout(300);
    expect(await page.evaluate("document.body.outerHTML")).toBe(before);
    expect(before).not.toMatch(/data-lumbit-(is|key|driver)/);
    expect(await page.evaluate("document.adoptedStyleSheets.length")).toBe(0);
    await page.close();
  });

  test("goes to a scene that is there only with what is loaded, and reports that there is none", async () => {
    const release = server.hold();
    const { page } = await opened(
      '<div id="sea" data-lumbit-background-depth="0.5" style="height:620px; background: linear-gradient(teal, navy)"></div>',
    );
    await page.waitForFunction("window.live");
    await page.evaluate("live.jump('sea'); live.jump('land')");
    expect(await page.evaluate("scrollY")).toBe(0);
    release();
    await expect.poll(() => page.evaluate("scrollY"), { timeout: 5000 }).toBeGreaterThan(1000);
    await expect.poll(() => page.evaluate("said.join()")).toBe('there is no scene "land" here');
    await expect(page.evaluate("live.jump('land')")).rejects.toThrow('there is no scene "land" here');
    await page.close();
  });

  test("that is strict is left as it was, and what is wrong is reported", async () => {
    const { page } = await opened(
      section("", 'data-lumbit-depth="far"'),
      "mount(document.body, { strict: true })",
    );
    await expect
      .poll(() => page.evaluate("said.join()"), { timeout: 5000 })
      .toMatch(/^<p>: data-lumbit-depth: found "far"; allowed: the distance behind the page surface/);
    expect(await page.evaluate('document.querySelectorAll("[data-lumbit-is]").length')).toBe(0);
    await page.close();
  });
});
