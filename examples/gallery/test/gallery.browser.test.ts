import { readFileSync } from "node:fs";
import { join } from "node:path";
import { readPage } from "lumbit/document";
import type { Page } from "playwright-core";
import { build, type PreviewServer, preview } from "vite";
import { afterAll, beforeAll, expect, test } from "vitest";
import { accessibilityFaults, type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";

const settings = {
  root: join(root, "examples/gallery"),
  logLevel: "error",
  build: { outDir: join(temporaryFolder(), "gallery"), chunkSizeWarningLimit: 2000 },
} as const;
let server: PreviewServer;
let browser: Chromium;
let page: Page;
const said: string[] = [];
beforeAll(async () => {
  await build(settings);
  server = await preview({ ...settings, preview: { host: "127.0.0.1", port: 0 } });
  browser = await openChromium();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on("pageerror", ({ message }) => void said.push(message));
  // What is copied, whatever the browser allows.
  await page.addInitScript(() => {
    Object.defineProperty(navigator, "clipboard", {
      value: {
        async writeText(text: string) {
          document.documentElement.dataset.copied = text;
        },
      },
    });
  });
  await page.goto(`${server.resolvedUrls?.local[0]}#crossing-titles`);
});
afterAll(async () => {
  await page?.close();
  await server?.close();
});

const stage = () => page.frames()[1] ?? expect.fail("there is no stage");
const copied = async (what: string) => {
  await page.getByRole("button", { name: `Copy ${what}` }).click();
  await page.getByRole("status").filter({ hasText: "Copied" }).waitFor();
  return page.evaluate(() => document.documentElement.dataset.copied ?? "");
};

test("a recipe is alive, in its own fonts, and follows its sliders; what is copied has their values", async () => {
  await stage().waitForSelector('[data-lumbit-layer="above"]');
  await expect
    .poll(() => stage().evaluate(() => [...document.fonts].map(({ status }) => status)))
    .toEqual(["loaded", "loaded"]);
  const where = () =>
    stage().evaluate(() => {
      scrollTo({ top: 900, behavior: "instant" });
      return (document.querySelector('[data-lumbit-layer="above"]') as Element).getBoundingClientRect().x;
    });
  await page.waitForTimeout(200);
  const before = await where();
  await page.getByRole("slider").first().fill("3");
  await expect.poll(where).toBeGreaterThan(before + 30);
  const file = JSON.parse(await copied("page file"));
  expect(file.scenes[1].layers[0].depth).toBe(3);
  expect(readPage(JSON.stringify(file)).faults).toEqual([]);
  expect(await page.getByRole("textbox", { name: "Its page file" }).inputValue()).toBe(
    JSON.stringify(file, null, 2),
  );
});

test("its fragment and its attributes move in another page as they do in it", async () => {
  const html = await copied("attributes");
  expect(html).toContain('data-lumbit-depth="3" data-lumbit-direction="right" data-lumbit-sideways="width"');
  const fragment = await copied("fragment");
  const other = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await other.setContent(
    `<body style="margin: 0"><div style="height: 900px"></div>${fragment}<div style="height: 900px"></div>`,
  );
  const at = async (scroll: number) => {
    await other.evaluate((top) => scrollTo({ top, behavior: "instant" }), scroll);
    await other.waitForTimeout(150);
    return other.evaluate(() =>
      ["above", "below"].map((name) => {
        const box = (
          document.querySelector(`[data-lumbit-layer="${name}"]`) as Element
        ).getBoundingClientRect();
        return Math.round(box.x + box.width / 2);
      }),
    );
  };
  // In the middle of the passage both are in the middle; 100 px before that three quarters of it apart.
  expect(await at(900)).toEqual([640, 640]);
  expect(await at(800)).toEqual([520, 720]);
  await other.close();
});

test("every recipe opens from the list, on the scene that it is about", async () => {
  const links = page.getByRole("navigation").getByRole("link");
  const names = await links.evaluateAll((all) =>
    all.map((link) => link.getAttribute("href")?.slice(1) ?? ""),
  );
  expect(names.length).toBeGreaterThan(19);
  for (const [index, name] of names.entries()) {
    await links.nth(index).click();
    await expect.poll(() => page.title()).toBe(`${await links.nth(index).textContent()} · Recipes`);
    const about = JSON.parse(readFileSync(join(root, "examples/recipes", name, "recipe.json"), "utf8"));
    const [, scene] = /^\/scenes\/(\d+)/.exec(about.play[0].at) ?? [];
    /** How much of it is in view, of what could be. */
    const inView = () =>
      stage().evaluate(
        (index) => {
          const scenes = document.querySelectorAll("main > [data-lumbit-scene]");
          const { top, bottom, height } = (scenes[index] as Element).getBoundingClientRect();
          return (Math.min(bottom, innerHeight) - Math.max(top, 0)) / Math.min(height, innerHeight);
        },
        Number(scene ?? 0),
      );
    await expect.poll(inView, { message: name }).toBeGreaterThan(0.3);
    expect(await page.getByRole("slider").count(), name).toBe(2);
  }
  expect(said).toEqual([]);
  expect(await page.getByRole("button", { name: "Copy attributes" }).isEnabled()).toBe(true);
});

test("it plays by itself, on other screens too, and axe finds nothing", async () => {
  await page.getByRole("radio", { name: "telephone" }).check();
  expect(await stage().evaluate(() => [innerWidth, innerHeight])).toEqual([390, 844]);
  await page.getByRole("button", { name: "Play" }).click();
  await expect.poll(() => stage().evaluate(() => scrollY)).toBeGreaterThan(100);
  await page.getByRole("button", { name: "Stop" }).click();
  await page.getByRole("button", { name: "Play" }).waitFor();
  expect(await accessibilityFaults(page)).toEqual([]);
});
