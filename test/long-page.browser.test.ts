import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { layoutPage, type Page, poseAt } from "lumbit/core";
import { pageCss, pageHtml } from "lumbit/static";
import { expect, test } from "vitest";
import { benchPage } from "../bench/pages.mjs";
import { layerBoxes, openChromium, scrollPage } from "./chromium.ts";
import { temporaryFolder } from "./command.ts";

const assets = { pictures: {}, fonts: {} };
const long = (scenes: number) => benchPage(scenes, 10) as unknown as Page;
const page = long(40);

test("a page of many layers skips those far from the view, and none of those in it", async () => {
  const folder = temporaryFolder();
  const css = pageCss(page, assets);
  const skips = /\[data-lumbit-is~=stage] \{[^}]*content-visibility: auto/;
  expect(css).toMatch(skips);
  expect(pageCss(long(20), assets)).not.toMatch(skips);
  writeFileSync(join(folder, "page.css"), css);
  writeFileSync(join(folder, "index.html"), pageHtml(page, { assets, stylesheet: "page.css" }));
  const browser = await openChromium();
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

test("on a long page too a rule carries a layer over the content and back", async () => {
  const folder = temporaryFolder();
  const wave = {
    ...{ name: "wave", shape: "rectangle", background: "#034", depth: 0.5 },
    place: { left: 0, right: 0, top: "-100vh", height: "300vh" },
    rules: [{ media: "(max-width: 600px)", depth: 0 }],
  } as const;
  const hours = { name: "hours", height: "100vh", content: [{ text: "Hours", as: "h2" }], layers: [wave] };
  const crossed = { ...page, scenes: [hours, ...page.scenes] } as Page;
  writeFileSync(join(folder, "page.css"), pageCss(crossed, assets));
  writeFileSync(join(folder, "index.html"), pageHtml(crossed, { assets, stylesheet: "page.css" }));
  const browser = await openChromium();
  const tab = await browser.newPage();
  await tab.goto(pathToFileURL(join(folder, "index.html")).href);
  for (const [width, found] of [
    [1000, "H2"],
    [500, "DIV"],
    [1000, "H2"],
  ] as const) {
    await tab.setViewportSize({ width, height: 800 });
    await scrollPage(tab, 0);
    const { left, top } = await tab.locator("h2").evaluate((heading) => heading.getBoundingClientRect());
    expect(
      await tab.evaluate(([x, y]) => document.elementFromPoint(x + 5, y + 5)?.tagName, [left, top] as const),
    ).toBe(found);
  }
  await browser.close();
});
