import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { root } from "./command.ts";
import { engineOf } from "./engines.ts";

/** An ordinary page of somebody else's, with attributes. */
const ordinary = `<!doctype html><html><head><style>
  body { margin: 0; font: 16px/1.5 sans-serif; } header { position: sticky; top: 0; height: 60px; background: #fff; z-index: 9; }
  .gap { height: 900px; } .hero { position: relative; height: 700px; padding: 40px; } .hero b { position: absolute; left: 50px; top: 100px; }
  figure { margin: 0; width: 300px; } figure img { width: 100%; display: block; }
</style></head><body><header>Tidehouse</header><div class="gap"></div>
<section class="hero" data-lumbit-scene id="s" style="color: rgb(1, 2, 3)">
  <b id="far" class="mine" data-lumbit-depth="1">far</b><b id="near" data-lumbit-speed="1.5" data-lumbit-direction="left">near</b>
  <b id="trip" data-lumbit-travel-x="0px 200px" data-lumbit-travel-over="entry 0% exit 100%">trip</b>
  <figure><img id="pane" data-lumbit-pane data-lumbit-depth="0.5" alt="" src="data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' width='400' height='300'><rect width='400' height='300' fill='teal'/></svg>"></figure>
</section><div class="gap"></div></body></html>`;

let browser: Chromium;
let server: Server;
let page: Page;
let origin: string;
let body = ordinary;
beforeAll(async () => {
  server = createServer((request, response) => {
    const script = request.url?.startsWith("/dist/");
    const type = request.url?.endsWith(".svg")
      ? "image/svg+xml"
      : script
        ? "text/javascript"
        : "text/html; charset=utf-8";
    const policy =
      "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:";
    response.writeHead(200, { "content-type": type, "content-security-policy": policy });
    if (request.url === "/late.svg")
      return void setTimeout(
        () => response.end("<svg xmlns='http://www.w3.org/2000/svg' width='400' height='100'/>"),
        150,
      );
    response.end(script ? readFileSync(join(root, "packages/lumbit", String(request.url))) : body);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  server?.close();
});
beforeEach(() => {
  body = ordinary;
});

async function open(): Promise<void> {
  page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.goto(origin);
  await page.evaluate('import("/dist/lumbit.js").then((lumbit) => void Object.assign(window, lumbit))');
}
const frames = () =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))),
  );
const scroll = async (top: number) => {
  await page.evaluate((top) => window.scrollTo({ top, behavior: "instant" }), top);
  await frames();
};
const run = <T>(code: string) => page.evaluate(code) as Promise<T>;
const box = (id: string) =>
  run<{ x: number; y: number; top: number; left: number; bottom: number; width: number; height: number }>(
    `document.getElementById("${id}").getBoundingClientRect().toJSON()`,
  );

describe.each(["native", "scripted"])("existing markup, %s", (driver) => {
  test("moves by its attributes, in place", async () => {
    await open();
    const still = { far: await box("far"), near: await box("near") };
    await run(`mount(document.body, { driver: "${driver}" })`);
    // A scene that is not cut is seen by what stands out of it before it is on the screen, and after.
    for (const y of [0, 50, 200, 560, 901, 1300, 1750]) {
      await scroll(y);
      const scene = await box("s");
      const length = 800 + scene.height;
      const d = Math.min(Math.max(800 - scene.top, 0), length) - length / 2;
      expect((await box("far")).top).toBeCloseTo(still.far.top - y + 0.5 * d, 0);
      expect((await box("near")).left).toBeCloseTo(still.near.left + 0.5 * d, 0);
      expect((await box("trip")).left).toBeCloseTo(50 + 200 * (d / length + 0.5), 0);
    }
    expect(await run("document.documentElement.scrollWidth")).toBe(1000);
  });

  test("keeps the picture of a pane over all of it, and the pane where it was", async () => {
    await open();
    const before = await run<number>(`document.querySelector("figure").getBoundingClientRect().height`);
    await run(`mount(document.body, { driver: "${driver}" })`);
    for (let y = 100; y < 1700; y += 80) {
      await scroll(y);
      const [pane, picture] = await run<{ top: number; bottom: number; height: number }[]>(
        `[document.querySelector("figure"), document.getElementById("pane")].map((element) => element.getBoundingClientRect().toJSON())`,
      );
      if (!pane || !picture) throw new Error("the pane is missing");
      expect(pane.height).toBeCloseTo(before, 1);
      if (pane.bottom < 0 || pane.top > 800) continue;
      expect(picture.top).toBeLessThanOrEqual(Math.max(0, pane.top) + 0.1);
      expect(picture.bottom).toBeGreaterThanOrEqual(Math.min(800, pane.bottom) - 0.1);
    }
  });

  test("leaves everything exactly as it was when disposed of, however often it was mounted", async () => {
    await open();
    const before = await run<string>("document.documentElement.outerHTML");
    await run(
      `window.first = mount(document.body, { driver: "${driver}" }); window.second = mount(document.body, { driver: "${driver}" });`,
    );
    await scroll(700);
    expect(await run("document.documentElement.outerHTML")).not.toBe(before);
    await run("first.dispose(); second.dispose(); second.dispose();");
    await frames();
    expect(await run("document.documentElement.outerHTML")).toBe(before);
    expect(await run("[document.adoptedStyleSheets.length, document.getAnimations().length]")).toEqual([
      0, 0,
    ]);
  });

  test("follows content that is inserted above, a turned screen and a scroll container", async () => {
    body = ordinary
      .replace("<body>", '<body><div id="port" style="height: 100vh; overflow-y: auto">')
      .replace("</body>", "</div></body>");
    await open();
    const still = await run<number>(
      `document.getElementById("far").getBoundingClientRect().top - document.getElementById("s").getBoundingClientRect().top`,
    );
    await run(`mount(document.getElementById("port"), { driver: "${driver}" })`);
    const check = async (y: number, viewport: number) => {
      await run(`document.getElementById("port").scrollTop = ${y}`);
      await frames();
      const scene = await box("s");
      const d = viewport - scene.top - (viewport + scene.height) / 2;
      expect((await box("far")).top - scene.top).toBeCloseTo(still + 0.5 * d, 0);
    };
    await check(700, 800);
    await run(`document.querySelector(".gap").style.height = "1300px"`);
    await frames();
    await check(900, 800);
    await page.setViewportSize({ width: 800, height: 500 });
    await frames();
    await check(1000, 500);
  });
});

describe.each(["native", "scripted"])("a scene as an object, %s", (driver) => {
  const container = (style: string) =>
    `<!doctype html><style>body{margin:0}.gap{height:900px}</style><body><div class="gap"></div><main style="width:500px;margin:0 200px 0 120px;padding:0 30px;border-left:7px solid;${style}"><div id="host" style="color:red">mine</div></main><div class="gap"></div>`;
  const scene = `{ name: "tide", width: "full", height: "600px", layers: [
    { name: "far", shape: "rectangle", background: "#024", depth: 1, place: { left: "10%", top: "50px", width: "80px", height: "80px" } },
    { name: "wide", text: "Spring tide", depth: 0.5, fontSize: { fit: "60%" }, place: { center: "x", top: "200px" } },
    { name: "late", image: "/late.svg", alt: "", place: { right: 0, bottom: 0, width: "50%" } } ] }`;

  /** The scene in view, with what may change it. */
  async function openInView(): Promise<void> {
    body = container("");
    await open();
    await run(
      `window.m = mount(document.getElementById("host"), { scene: ${scene}, driver: "${driver}" }); window.scene = ${scene}`,
    );
    await scroll(500);
  }

  test.each([
    ["left to right", ""],
    ["right to left", "direction: rtl"],
  ])("goes from edge to edge of the page out of any container, %s", async (_, style) => {
    body = container(style);
    await open();
    const before = await run<string>("document.documentElement.outerHTML");
    await run(`window.m = mount(document.getElementById("host"), { scene: ${scene}, driver: "${driver}" })`);
    expect(await box("host")).toMatchObject({ left: 0, width: 1000 });
    const letters = await run<number>(
      `(() => { const range = document.createRange(); range.selectNodeContents(document.querySelector("[data-lumbit-layer=wide]")); return range.getBoundingClientRect().width })()`,
    );
    expect(Math.abs(letters - 600)).toBeLessThan(1.5);
    await scroll(500);
    const far = await run<number>(
      `document.querySelector("[data-lumbit-layer=far]").getBoundingClientRect().top`,
    );
    const top = (await box("host")).top;
    expect(far).toBeCloseTo(top + 50 + 0.5 * (800 - top - 700), 0);
    await page.setViewportSize({ width: 1240, height: 700 });
    await frames();
    await frames();
    expect(await box("host")).toMatchObject({ left: 0, width: 1240 });
    expect(await run("document.documentElement.scrollWidth")).toBe(1240);
    await run("m.dispose()");
    expect(await run("document.documentElement.outerHTML")).toBe(before);
  });

  test("follows content that is put above it in a box that scrolls", async () => {
    body = container("")
      .replace("<body>", '<body><div id="port" style="height: 100vh; overflow: hidden auto">')
      .concat("</div>");
    await open();
    await run(`window.m = mount(document.getElementById("host"), { scene: ${scene}, driver: "${driver}" })`);
    await frames();
    const farAt = async (y: number) => {
      await run(`document.getElementById("port").scrollTop = ${y}`);
      await frames();
      return run<number>(
        `document.querySelector("[data-lumbit-layer=far]").getBoundingClientRect().top - document.getElementById("host").getBoundingClientRect().top`,
      );
    };
    const before = await farAt(500);
    await run(`document.querySelector(".gap").before(document.querySelector(".gap").cloneNode())`);
    await frames();
    expect(await farAt(1400)).toBeCloseTo(before, 0);
  });

  test("is no wider than its element where a rule says so, and leaves a width of the element's own alone", async () => {
    body = container("");
    await open();
    const mounted = (more: string) =>
      run(
        `window.m = mount(document.getElementById("host"), { scene: { ...${scene}, ${more} }, driver: "${driver}" })`,
      );
    await mounted('rules: [{ media: "(min-width: 1100px)", width: "column" }]');
    expect(await box("host")).toMatchObject({ left: 0, width: 1000 });
    await page.setViewportSize({ width: 1240, height: 700 });
    await frames();
    await frames();
    // The column is as wide as what is around it, without the margins beside.
    expect(await box("host")).toMatchObject({ left: 177, width: 460 });
    await run('m.dispose(); document.getElementById("host").style.width = "300px"');
    await mounted("width: undefined");
    await frames();
    expect(await box("host")).toMatchObject({ width: 300 });
    await run("m.dispose()");
  });

  test("is where another state of it is at once, without a scroll", async () => {
    await openInView();
    const far = () =>
      run<number>(`document.querySelector("[data-lumbit-layer=far]").getBoundingClientRect().top`);
    const { top } = await box("host");
    const away = 800 - top - 700;
    expect(Math.abs(away)).toBeGreaterThan(50);
    expect(await far()).toBeCloseTo(top + 50 + 0.5 * away, 0);
    await run(
      "scene.layers[0].depth = 3; m.update({ ...scene, layers: scene.layers.map((layer) => ({ ...layer })) })",
    );
    await frames();
    expect(await far()).toBeCloseTo(top + 50 + 0.75 * away, 0);
    await run("m.dispose()");
  });

  test("that goes with the pointer from now on does so, as far as its depth has it", async () => {
    await openInView();
    const far = () =>
      run<number>(`document.querySelector("[data-lumbit-layer=far]").getBoundingClientRect().left`);
    const at = await far();
    await run('m.update({ ...scene, camera: { sway: "80px" } })');
    await page.waitForTimeout(500);
    await page.mouse.move(750, 400);
    const shifted = (by: number) =>
      expect.poll(async () => (await far()) - at, { timeout: 10_000 }).toBeCloseTo(by, 0);
    // The camera goes to the right by 40 px half way to the edge: a layer of depth d stays behind by the rest of its speed.
    await shifted(40 * (1 - 1 / 2));
    await run(
      'm.update({ ...scene, camera: { sway: "80px" }, layers: scene.layers.map((layer, index) => index ? layer : { ...layer, depth: 3 }) })',
    );
    await shifted(40 * (1 - 1 / 4));
    await run("m.dispose()");
  });

  test("keeps one value of a setting however often that changes", async () => {
    body = container("");
    await open();
    await run(
      `window.m = mount(document.getElementById("host"), { scene: ${scene}, driver: "${driver}" }); window.scene = ${scene};
      window.changed = (more) => m.update({ ...scene, layers: scene.layers.map((layer, index) => index ? layer : { ...layer, ...more }) })`,
    );
    await run("for (let step = 0; step < 50; step++) changed({ depth: 1 + step / 10 })");
    // What stood on the element goes into the sheet with the next rules, once.
    const removed = await run<number>(`{
      let removed = 0;
      const { removeProperty } = CSSStyleDeclaration.prototype;
      CSSStyleDeclaration.prototype.removeProperty = function (name) {
        if (name === "--lumbit-speed") removed++;
        return removeProperty.call(this, name);
      };
      changed({ depth: 2, rules: [{ media: "(max-width: 300px)", depth: 3 }] });
      CSSStyleDeclaration.prototype.removeProperty = removeProperty;
      removed;
    }`);
    expect(removed).toBe(1);
    await run("m.dispose()");
  });

  test("gives a picture that comes late its place, and stays right when the page is zoomed", async () => {
    body = container("");
    await open();
    await run(`mount(document.getElementById("host"), { scene: ${scene}, driver: "${driver}" })`);
    const late = () =>
      run<{ width: number; height: number; bottom: number }>(
        `document.querySelector("[data-lumbit-layer=late]").getBoundingClientRect().toJSON()`,
      );
    await expect.poll(async () => (await late()).height).toBeCloseTo(125, 0);
    expect((await late()).bottom).toBeCloseTo((await box("host")).bottom, 0);
    // What a browser's zoom of 125 % is to a page.
    const client = await page.context().newCDPSession(page);
    await client.send("Emulation.setDeviceMetricsOverride", {
      ...{ width: 800, height: 640, deviceScaleFactor: 1.25, mobile: false },
    });
    await frames();
    await scroll(600);
    const top = (await box("host")).top;
    const far = await run<number>(
      `document.querySelector("[data-lumbit-layer=far]").getBoundingClientRect().top`,
    );
    expect(far).toBeCloseTo(top + 50 + 0.5 * (640 - top - 620), 0);
    expect((await late()).width).toBeCloseTo(400, 0);
  });
});

test("goes on where it was when a reader comes back to the page", async () => {
  const firefox = await engineOf("firefox");
  await firefox.resize(1000, 800);
  await firefox.open(origin);
  await firefox.run(`const { mount } = await import("/dist/lumbit.js"); mount(document.body, { driver: "scripted" });
      addEventListener("pageshow", ({ persisted }) => { window.persisted = persisted; });`);
  const at = (y: number) =>
    firefox.run<number>(
      `scrollTo({ top: ${y}, behavior: "instant" }); await new Promise((done) => setTimeout(done, 100)); return document.getElementById("far").getBoundingClientRect().top`,
    );
  const before = await at(400);
  await firefox.open(`${origin}/elsewhere`);
  await firefox.run("history.back()");
  await expect.poll(() => firefox.run("return window.persisted").catch(() => false)).toBe(true);
  expect(await at(400)).toBe(before);
  expect(await at(500)).toBeCloseTo(before - 50, 0);
});

test("a wrong attribute is said and left out, and all else moves; where it is strict nothing is changed", async () => {
  body = ordinary.replace('data-lumbit-depth="1"', 'data-lumbit-depth="-2"');
  await open();
  const before = await run<string>("document.documentElement.outerHTML");
  expect(
    await run(
      "(() => { try { mount(document.body, { strict: true }) } catch (error) { return error.message } })()",
    ),
  ).toBe(
    '<b id="far">: data-lumbit-depth: found "-2"; allowed: the distance behind the page surface in camera distances: a number above -1, or "horizon"',
  );
  expect(await run("document.documentElement.outerHTML")).toBe(before);
  const said: string[] = [];
  page.on("console", (message) => said.push(`${message.type()}: ${message.text()}`));
  const [far, near] = [await box("far"), await box("near")];
  await run("mount(document.body)");
  await scroll(560);
  expect((await box("far")).top).toBeCloseTo(far.top - 560, 0);
  expect((await box("near")).left).not.toBeCloseTo(near.left, 0);
  expect(said).toEqual([
    expect.stringMatching(/^warning: lumbit: <b id="far">: data-lumbit-depth: found "-2"; allowed/),
  ]);
});

test("what is mounted goes on where the markup has become wrong", async () => {
  await open();
  await run(`window.m = mount(document.body); document.getElementById("near").dataset.lumbitSpeed = "fast"`);
  expect(
    await run(
      "(() => { try { mount(document.body, { strict: true }) } catch (error) { return error.message } })()",
    ),
  ).toContain('<b id="near">: data-lumbit-speed: found "fast"; allowed: screen movement');
  const before = await box("far");
  await scroll(500);
  expect((await box("far")).top).not.toBeCloseTo(before.top - 500, 0);
  expect(await run(`document.getElementById("s").dataset.lumbitDriver`)).toBe("native");
});

test("smoothing delays the layers, never the scroll, and comes to rest where the scroll has them", async () => {
  await open();
  const still = await box("far");
  await run(`mount(document.body, { smoothing: 120 })`);
  await run("scrollTo({ top: 600, behavior: 'instant' })");
  expect(await run("scrollY")).toBe(600);
  await expect
    .poll(async () => (await box("far")).top, { timeout: 5000 })
    .toBeCloseTo(still.top - 600 + 0.5 * (800 - (960 - 600) - 790), 1);
});

test("reads right to left as left to right, pauses, and survives being taken out of the page", async () => {
  await open();
  const problems: string[] = [];
  page.on("pageerror", (error) => problems.push(error.message));
  await run(`document.documentElement.dir = "rtl"; window.m = mount(document.body, { driver: "scripted" })`);
  await scroll(500);
  const paused = await box("far");
  await run("m.pause()");
  await scroll(600);
  expect((await box("far")).top).toBeCloseTo(paused.top - 100, 1);
  await run("m.resume(); document.getElementById('s').remove();");
  await scroll(300);
  await run("m.dispose()");
  expect(problems).toEqual([]);
});

test("can be imported where there is no document", async () => {
  expect(typeof (await import("lumbit")).mount).toBe("function");
});
