import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { root } from "./command.ts";

const html = `<!doctype html><style>body { margin: 0 } header { position: sticky; top: 0; height: 60px } html { scroll-padding-top: 60px }
  .gap { height: 1000px } section { height: 500px } p { margin: 0 }</style><header>Tidehouse</header><div class="gap"></div>
  <section data-lumbit-scene="low" id="low" data-lumbit-settle="top"><p data-lumbit-depth="1">Low water</p>
  <p id="late" data-lumbit-cue='{"from": {"opacity": 0}, "duration": 50}'>Lamps</p></section><div class="gap"></div>
  <section data-lumbit-scene="high" id="high" data-lumbit-settle="enter"><p data-lumbit-depth="1">High water</p></section><div class="gap"></div>
  <a href="#low">down</a>`;
let browser: Chromium;
let server: Server;
let page: Page;
beforeAll(async () => {
  server = createServer((request, response) => {
    const script = request.url?.startsWith("/dist/");
    response.writeHead(200, { "content-type": script ? "text/javascript" : "text/html; charset=utf-8" });
    response.end(script ? readFileSync(join(root, "packages/lumbit", String(request.url))) : html);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  server?.close();
});
beforeEach(async () => {
  page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
  await page.evaluate(
    `import("/dist/lumbit.js").then(({ mount }) => { window.told = []; window.own = mount(document.body); })`,
  );
});

const told = () => page.evaluate("window.told.splice(0)");

test("a program is told when scenes enter and leave, how far they are, and of cues that played", async () => {
  await page.evaluate(`for (const type of ["enter", "leave", "cue"]) own.on(type, ({ scene }) => told.push(type + " " + scene.id));
    window.stop = own.on("progress", ({ scene, progress }) => told.push(scene.id + " " + progress.toFixed(2)));`);
  await scrollPage(page, 600);
  await page.waitForTimeout(200);
  const first = (await told()) as string[];
  expect(first).toContain("enter low");
  // The scene begins 1060 px down the page under the header; its passage is 1300 px long.
  expect(first.at(-1) === "cue low" ? first.at(-2) : first.at(-1)).toBe("low 0.26");
  expect(first).toContain("cue low");
  await page.evaluate("stop()");
  await scrollPage(page, 2300);
  await page.waitForTimeout(200);
  expect((await told()) as string[]).toEqual(expect.arrayContaining(["leave low", "enter high"]));
  await page.evaluate("own.dispose()");
  await scrollPage(page, 600);
  await page.waitForTimeout(200);
  expect(await told()).toEqual([]);
});

test("jumps bring a scene to its settle moment, below a sticky header, and keep the fragment", async () => {
  const top = (id: string) =>
    page.locator(`#${id}`).evaluate((element) => Math.round(element.getBoundingClientRect().top));
  await page.evaluate('own.jump("low")');
  expect([await top("low"), new URL(page.url()).hash]).toEqual([60, "#low"]);
  await page.evaluate('own.jump("high")');
  // It settles as it enters, so all of the screen but the header lies above it.
  expect([await top("high"), new URL(page.url()).hash]).toEqual([860, "#high"]);
  await page.locator("a").click();
  expect([await top("low"), new URL(page.url()).hash]).toEqual([60, "#low"]);
  expect(
    await page.evaluate('(() => { try { own.jump("deep") } catch (error) { return String(error) } })()'),
  ).toBe('RangeError: there is no scene "deep" here');
});
