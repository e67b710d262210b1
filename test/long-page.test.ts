import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { layoutPage, type Page, poseAt } from "lumbit/core";
import { pageCss, pageHtml } from "lumbit/static";
import { expect, test } from "vitest";
import { benchPage } from "../bench/pages.mjs";
import { launchChromium, layerBoxes, scrollPage } from "./chromium.ts";
import { temporaryFolder } from "./command.ts";

const assets = { pictures: {}, fonts: {} };
const long = (scenes: number) => benchPage(scenes, 10) as unknown as Page;
const page = long(40);

test("a page of many layers skips those far from the view, and none of those in it", async () => {
  const folder = temporaryFolder();
  const css = pageCss(page, assets);
  const skips = /\.lumbit-stage \{[^}]*content-visibility: auto/;
  expect(css).toMatch(skips);
  expect(pageCss(long(20), assets)).not.toMatch(skips);
  writeFileSync(join(folder, "page.css"), css);
  writeFileSync(join(folder, "index.html"), pageHtml(page, { assets, stylesheet: "page.css" }));
  const browser = await launchChromium();
  const viewport = { width: 1280, height: 800 };
  const tab = await browser.newPage({ viewport });
  await tab.goto(pathToFileURL(join(folder, "index.html")).href);
  const skipped = () =>
    tab.evaluate(
      () =>
        [...document.querySelectorAll("[data-lumbit-layer]")].filter(
          (layer) => !layer.checkVisibility({ contentVisibilityAuto: true }),
        ).length,
    );
  await expect.poll(skipped).toBeGreaterThan(300);
  const layout = layoutPage(page, viewport, { layer: () => ({ width: 0, height: 0 }) });
  let compared = 0;
  // As far at a time as a page key or a fast wheel goes.
  for (let scroll = 0; scroll < 8000; scroll += 760) {
    await scrollPage(tab, scroll);
    const boxes = await layerBoxes(tab);
    for (const scene of poseAt(layout, scroll).scenes) {
      if (scene.top >= 800 || scene.top + scene.height <= 0) continue;
      for (const layer of scene.layers) {
        const found = boxes.find((box) => box.scene === scene.name && box.layer === layer.name);
        expect(Math.abs((found?.top ?? Number.NaN) - layer.top), `${scene.name} ${layer.name}`).toBeLessThan(
          0.5,
        );
        compared++;
      }
    }
  }
  expect(compared).toBeGreaterThan(150);
  const { scrollWidth, scrollHeight } = await tab.evaluate(() => {
    const { scrollWidth, scrollHeight } = document.documentElement;
    return { scrollWidth, scrollHeight };
  });
  expect([scrollWidth, scrollHeight]).toEqual([1280, layout.scrollHeight]);
  await browser.close();
});
