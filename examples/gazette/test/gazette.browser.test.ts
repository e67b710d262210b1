import { join } from "node:path";
import type { Page } from "playwright-core";
import { build, type PreviewServer, preview } from "vite";
import { afterAll, beforeAll, expect, test } from "vitest";
import { accessibilityFaults, type Chromium, openChromium, scrollPage } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";

const settings = {
  root: join(root, "examples/gazette"),
  logLevel: "error",
  build: { outDir: join(temporaryFolder(), "gazette") },
} as const;
let server: PreviewServer;
let browser: Chromium;
let address: string;
beforeAll(async () => {
  await build(settings);
  server = await preview({ ...settings, preview: { host: "127.0.0.1", port: 0 } });
  address = server.resolvedUrls?.local[0] as string;
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  await server?.close();
});

const open = async (width: number, height: number, javaScriptEnabled = true): Promise<Page> => {
  const page = await browser.newPage({ viewport: { width, height }, javaScriptEnabled });
  await page.goto(address, { waitUntil: "networkidle" });
  return page;
};
const box = async (page: Page, selector: string) => {
  const box = await page.locator(selector).boundingBox();
  if (!box) throw new Error(`${selector} is not there`);
  return box;
};

test.each([
  [390, 844],
  [1280, 800],
  [320, 568],
])("an ordinary page keeps its layout and gets depth by attributes alone, %i x %i", async (width, height) => {
  const plain = await open(width, height, false);
  const live = await open(width, height);
  // The band breaks out of its container; all else stands where the page's own style has it.
  for (const selector of ["header", ".lead .frame", ".tides h2", ".tides .later", "footer"])
    expect(await box(live, selector), selector).toEqual(await box(plain, selector));
  expect(await box(live, "#water")).toMatchObject({ x: 0, width });
  const end = await live.evaluate(() => document.documentElement.scrollHeight - innerHeight);
  for (let step = 0; step <= 20; step++) {
    await scrollPage(live, Math.round((end * step) / 20));
    expect((await box(live, "header")).y).toBe(0);
    for (const pane of [".lead .frame", ".tides .later .frame", ".sea"]) {
      const [around, picture] = [await box(live, pane), await box(live, `${pane} > img`)];
      if (around.y >= height || around.y + around.height <= 0) continue;
      expect(picture.y, pane).toBeLessThanOrEqual(Math.max(0, around.y) + 0.1);
      expect(picture.y + picture.height, pane).toBeGreaterThanOrEqual(
        Math.min(height, around.y + around.height) - 0.1,
      );
    }
  }
  expect(await live.evaluate(() => document.documentElement.scrollWidth)).toBe(width);
  expect(await accessibilityFaults(live)).toEqual([]);
  await plain.close();
  await live.close();
});

test("the two tides move against each other where they stand side by side", async () => {
  const page = await open(1280, 800);
  const offset = async (figure: string) =>
    (await box(page, `${figure} img`)).y - (await box(page, `${figure} .frame`)).y;
  await scrollPage(page, 700);
  const [neap, spring] = [await offset(".tides figure:not(.later)"), await offset(".tides .later")];
  await scrollPage(page, 800);
  expect((await offset(".tides figure:not(.later)")) - neap).toBeCloseTo(37.5, 0);
  expect((await offset(".tides .later")) - spring).toBeCloseTo(-37.5, 0);

  // One below the other both go the same way.
  await page.setViewportSize({ width: 600, height: 800 });
  const { y } = await box(page, ".tides .later");
  const top = (await page.evaluate(() => scrollY)) + y;
  await scrollPage(page, top - 300);
  const before = await offset(".tides .later");
  await scrollPage(page, top - 200);
  expect((await offset(".tides .later")) - before).toBeCloseTo(37.5, 0);
  await page.close();
});
