import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

let browser: Chromium;
let page: Page;
let close = () => {};
const paper = { width: 794, height: 1123 };
beforeAll(async () => {
  const folder = temporaryFolder();
  await lumbit(["build", join(root, "examples/tidehouse/page.json"), "-o", "site"], folder);
  const served = await serveFolder(join(folder, "site"));
  close = served.close;
  browser = await openChromium();
  page = await browser.newPage({ viewport: paper });
  await page.goto(`${served.origin}/index.html`, { waitUntil: "networkidle" });
  await page.emulateMedia({ media: "print" });
});
afterAll(async () => {
  await browser?.close();
  close();
});

/** Texts of which something is cut off by a box around them, or that lie outside of their scene. */
const cutOff = () =>
  page.evaluate(() =>
    [...document.querySelectorAll("main :is(h1, h2, h3, h4, p, li)")].flatMap((text) => {
      const range = document.createRange();
      range.selectNodeContents(text);
      const own = range.getBoundingClientRect();
      const lies = (box: DOMRect) =>
        own.top >= box.top - 2 &&
        own.bottom <= box.bottom + 2 &&
        own.left >= box.left - 2 &&
        own.right <= box.right + 2;
      for (let around = text.parentElement; around; around = around.parentElement) {
        const clips =
          getComputedStyle(around).overflow !== "visible" || around.matches("[data-lumbit-scene]");
        if (clips && around !== document.documentElement && !lies(around.getBoundingClientRect()))
          return [
            `${text.textContent} in ${around.getAttribute("data-lumbit-scene") ?? around.getAttribute("data-lumbit-is")}`,
          ];
      }
      return [];
    }),
  );

test("on paper every slide of a reel and every line in a frame is there, none over another", async () => {
  const cut = await cutOff();
  // The words that cross run off both sides of the page, and are meant to.
  expect(cut.filter((text) => !/in crossing$/.test(text))).toEqual([]);
  const slides = await page.$$eval("[data-lumbit-scene=five] [data-lumbit-is~=slide]", (all) =>
    all
      .map((slide) => slide.getBoundingClientRect())
      .map(({ top, bottom, left, right }) => ({ top, bottom, left, right })),
  );
  expect(slides).toHaveLength(5);
  for (const [index, { top, left, right }] of slides.entries()) {
    expect(top).toBeGreaterThanOrEqual((slides[index - 1]?.bottom ?? 0) - 0.5);
    expect(left).toBeGreaterThanOrEqual(-0.5);
    expect(right).toBeLessThanOrEqual(paper.width + 0.5);
  }
  const scenes = await page.$$eval("[data-lumbit-scene]", (all) =>
    all.map((scene) => scene.getBoundingClientRect().height),
  );
  expect(Math.min(...scenes)).toBeGreaterThan(0);
});

test("on a screen nothing of that holds", async () => {
  await page.emulateMedia({ media: "screen" });
  const reel = page.locator("[data-lumbit-scene=five] [data-lumbit-is~=reel]");
  expect(await reel.evaluate((element) => getComputedStyle(element).overflowX)).not.toBe("visible");
  await page.emulateMedia({ media: "print" });
  expect((await page.pdf({ printBackground: true })).subarray(0, 5).toString()).toBe("%PDF-");
});
