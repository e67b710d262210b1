import { cpSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** What programs do with mounted scenes that no page file would say. */
let browser: Chromium;
let origin: string;
let close = () => {};
let page: Page;
beforeAll(async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "packages/lumbit/dist/browser"), join(folder, "lumbit"), { recursive: true });
  const markup = `<section id="scene" data-lumbit-scene="pier" style="height: 900px"><b data-lumbit-depth="1">far</b></section>`;
  writeFileSync(
    join(folder, "index.html"),
    `<!doctype html><html lang="en"><head><title>t</title></head><body><div style="height: 900px"></div><main id="main">${markup}</main><div id="here"></div><div style="height: 900px"></div></body></html>`,
  );
  writeFileSync(
    join(folder, "frame.html"),
    `<!doctype html><html lang="en"><head><title>t</title></head><body><iframe width="400" height="300" src="index.html"></iframe></body></html>`,
  );
  ({ origin, close } = await serveFolder(folder, "default-src 'self'; style-src 'self' 'unsafe-inline'"));
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  close();
});
beforeEach(async () => {
  page = await browser.newPage({ viewport: { width: 800, height: 600 } });
  await page.goto(origin);
});
afterEach(() => page.close());

declare const load: (name: "markup" | "scene") => Promise<{
  mount(element: unknown, options?: unknown): Record<string, (...given: unknown[]) => unknown>;
}>;
const loader = "globalThis.load = (name) => import('/lumbit/' + name + '.js')";

test("a handle that is disposed of does nothing more, and two that lie in each other go in any order", async () => {
  await page.evaluate(loader);
  const changed = await page.evaluate(async () => {
    const { mount } = await load("markup");
    const main = document.querySelector("#main") as HTMLElement;
    const before = main.outerHTML;
    const sheets = document.adoptedStyleSheets.length;
    const rest = async () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    const found: unknown[] = [];
    for (const order of [
      [0, 1],
      [1, 0],
    ]) {
      const handles = [mount(main), mount(document.querySelector("#scene"))];
      await rest();
      for (const index of order) {
        handles[index]?.dispose?.();
        await rest();
      }
      for (const handle of handles)
        for (const name of ["refresh", "pause", "resume", "jump", "dispose"]) handle[name]?.();
      handles[0]?.on?.("enter", () => found.push("told"))?.toString();
      scrollBy(0, 500);
      await rest();
      if (main.outerHTML !== before) found.push(main.outerHTML);
      if (document.adoptedStyleSheets.length !== sheets)
        found.push(`${document.adoptedStyleSheets.length} sheets`);
    }
    return found;
  });
  expect(changed).toEqual([]);
});

test("a listener that throws silences no other, and is told", async () => {
  const errors: string[] = [];
  page.on("pageerror", ({ message }) => errors.push(message));
  await page.evaluate(loader);
  const heard = await page.evaluate(async () => {
    const { mount } = await load("markup");
    const live = mount(document.querySelector("#main"));
    const heard: string[] = [];
    live.on?.("enter", () => {
      throw new Error("mine");
    });
    live.on?.("enter", () => heard.push("enter"));
    scrollTo(0, 700);
    await new Promise((done) => setTimeout(done, 400));
    return heard;
  });
  expect(heard).toEqual(["enter"]);
  expect(errors).toEqual(["mine"]);
});

test.each(["native", "scripted"])(
  "elements of a frame's document are moved there, by the %s driver",
  async (driver) => {
    await page.goto(`${origin}/frame.html`);
    await page.evaluate(loader);
    const frame = page.frames()[1];
    await page.evaluate(async (driver) => {
      const inner = (document.querySelector("iframe") as HTMLIFrameElement).contentDocument as Document;
      const { mount } = await load("markup");
      mount(inner.querySelector("#main"), { driver });
      const { mount: mountScene } = await load("scene");
      mountScene(inner.querySelector("#here"), {
        driver,
        scene: {
          name: "far",
          height: "600px",
          layers: [{ name: "x", text: "word", depth: 1, place: { left: 0, top: "100px" } }],
        },
      });
    }, driver);
    for (const selector of ["b", "[data-lumbit-layer=x]"]) {
      const at = async (scroll: number) => {
        await frame?.evaluate((top) => scrollTo({ top, behavior: "instant" }), scroll);
        await page.waitForTimeout(150);
        return (await frame
          ?.locator(selector)
          .evaluate((element) => element.getBoundingClientRect().top)) as number;
      };
      const [first, second] = [await at(1620), await at(1720)];
      expect(first - second, selector).toBeCloseTo(50, 0);
    }
  },
);

test("a cue in a frame heeds the frame's window", async () => {
  await page.goto(`${origin}/frame.html`);
  await page.evaluate(loader);
  const comesFrom = await page.evaluate(async () => {
    const inner = (document.querySelector("iframe") as HTMLIFrameElement).contentDocument as Document;
    const word = inner.querySelector("b") as HTMLElement;
    word.dataset.lumbitCue = JSON.stringify([
      { from: { opacity: 0 } },
      { media: "(max-width: 500px)", from: { clip: "0 100% 0 0" } },
    ]);
    const { mount } = await load("markup");
    mount(inner.querySelector("#main"));
    return word
      .getAnimations()
      .flatMap(({ effect }) => Object.keys((effect as KeyframeEffect).getKeyframes()[0] ?? {}))
      .filter((name) => /opacity|clipPath/.test(name));
  });
  expect(comesFrom).toEqual(["clipPath"]);
});

test("what is written of an object ends nothing, runs nothing and loads nothing", async () => {
  const asked: string[] = [];
  page.on("request", (request) => asked.push(new URL(request.url()).pathname));
  await page.evaluate(loader);
  const found = await page.evaluate(async () => {
    const { mount } = await load("scene");
    const end = "red; } * { outline: 7px solid red !important } a {";
    const breakout = '"] , * { outline: 7px solid red !important } [x="';
    Object.assign(globalThis, { ran: false });
    mount(document.querySelector("#here"), {
      scene: {
        name: `pier${breakout}`,
        height: "600px",
        background: end,
        content: [
          { text: "link", href: "javascript:ran = true" },
          { text: "script", as: "script" },
        ],
        layers: [
          {
            name: `x${breakout}`,
            text: "ran = true",
            as: "script",
            color: end,
            depth: 1,
            place: { left: "1px; } * { outline: 7px solid red }", top: 0 },
          },
          {
            name: "y",
            shape: "rectangle",
            background: "url(/asked.png)",
            place: { left: 0, top: 0, width: "9px", height: "9px" },
            rules: [{ media: "all { * { outline: 7px solid red !important } } @media all", depth: 2 }],
          },
          {
            name: "z",
            text: "ramp",
            depth: 1,
            place: { left: 0, top: 0 },
            ramps: [
              {
                property: "color",
                stops: [
                  { at: "cover 0%", value: `${end}}` },
                  { at: "cover 100%", value: "blue" },
                ],
              },
            ],
          },
        ],
      },
    });
    await new Promise((done) => setTimeout(done, 200));
    (document.querySelector("#here a") as HTMLElement | null)?.click();
    await new Promise((done) => setTimeout(done, 100));
    return {
      outlined: [...document.querySelectorAll("*")]
        .filter(
          (element) =>
            getComputedStyle(element).outlineWidth === "7px" &&
            getComputedStyle(element).outlineStyle === "solid",
        )
        .map(({ localName }) => localName),
      scripts: document.querySelectorAll("#here script").length,
      ran: (globalThis as unknown as { ran: boolean }).ran,
      layers: document.querySelectorAll("#here [data-lumbit-layer]").length,
      href: document.querySelector("#here a")?.getAttribute("href"),
    };
  });
  expect(found).toEqual({ outlined: [], scripts: 0, ran: false, layers: 3, href: null });
  expect(asked).not.toContain("/asked.png");
});
