import { readFileSync } from "node:fs";
import { join } from "node:path";
import { layersAt, type Page as PageFile, type PageLayout, poseAt } from "lumbit/core";
import { boundsOf, isReel, withInner } from "lumbit/internal";
import type { Page } from "playwright-core";
import { beforeAll, describe, expect, test } from "vitest";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { boxes, documents, expectSame, mounted } from "./mounted-page.ts";

/** A whole page in a document of its own: the demo, against the site that is built of it. */
const demo = join(root, "examples/tidehouse");
const source = JSON.parse(readFileSync(join(demo, "page.json"), "utf8")) as PageFile;
const site = join(temporaryFolder(), "site");
const open = documents(site, demo);
beforeAll(async () => {
  await lumbit(["build", join(demo, "page.json"), "-o", site, "--originals"], demo);
});

/** Sizes of the files as the command knows them: those in the built page's own markup. */
const pictures = async (built: Page) =>
  built.evaluate(
    () =>
      Object.fromEntries(
        [...document.images].map((image) => [
          image.getAttribute("src"),
          { width: Number(image.getAttribute("width")), height: Number(image.getAttribute("height")) },
        ]),
      ) as Record<string, { width: number; height: number }>,
  );
const sizesOf = async () => {
  const built = await open("index.html", { width: 1280, height: 800 });
  const byUrl = await pictures(built);
  // Built addresses have the name of the file and a digest.
  return Object.fromEntries(
    JSON.stringify(source)
      .match(/art\/[\w-]+\.webp/g)
      ?.map((path) => {
        const name = path.slice(4, -5);
        const [, size] = Object.entries(byUrl).find(([url]) => url.includes(`/${name}.`)) ?? [];
        return [path, { url: `/${path}`, ...size }];
      }) ?? [],
  );
};

describe.each(["native", "scripted"])("the demo, %s", (driver) => {
  test.each([
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ])("is where the built site has it, at $width x $height", async (viewport) => {
    const built = await open("index.html", viewport);
    const page = await open("", viewport);
    await mounted(page, source, driver, await sizesOf());
    const reach = await built.evaluate("document.documentElement.scrollHeight - innerHeight");
    expect(await page.evaluate("document.documentElement.scrollHeight - innerHeight")).toBe(reach);
    // Cues come in their own time: what is compared has come.
    for (const at of [built, page])
      for (let scroll = 0; scroll < Number(reach); scroll += viewport.height / 2) await boxes(at, scroll);
    await page.waitForTimeout(1500);
    for (const share of [0, 0.07, 0.21, 0.5, 0.83, 1])
      expectSame(
        await boxes(page, share * Number(reach)),
        await boxes(built, share * Number(reach)),
        0.6,
        `${share} of the scroll`,
        viewport,
      );
  });
});

test("a layout of a page as it stands says where everything is, and what is on top at a point", async () => {
  const viewport = { width: 1280, height: 800 };
  const page = await open("", viewport);
  await mounted(page, source, "native", await sizesOf());
  let compared = 0;
  for (const scroll of [0, 400, 1150, 2300, 3900]) {
    await boxes(page, scroll);
    const layout = await page.evaluate(
      () => (window as never as { live: { layout(): PageLayout } }).live.layout() as PageLayout,
    );
    const found = await page.evaluate(() => {
      const layers = [
        ...document.querySelectorAll<HTMLElement>("[data-lumbit-layer]:not([data-lumbit-is~=title])"),
      ];
      // Asked is where layers are, not which of them can be clicked.
      for (const element of document.querySelectorAll<HTMLElement>("main *"))
        element.style.setProperty("pointer-events", "auto", "important");
      const at = [0.11, 0.32, 0.53, 0.74, 0.95].flatMap((y) =>
        [0.1, 0.3, 0.5, 0.7, 0.9].map((x) => ({ x: x * 1280, y: y * 800 })),
      );
      return {
        boxes: layers.map((element) => {
          const { left, top, width, height } = element.getBoundingClientRect();
          const scene = element.closest<HTMLElement>("[data-lumbit-scene]")?.dataset.lumbitScene;
          return { name: `${scene} ${element.dataset.lumbitLayer}`, sides: [left, top, width, height] };
        }),
        points: at.map((point) => ({
          point,
          names: [
            ...new Set(
              document.elementsFromPoint(point.x, point.y).flatMap((element) => {
                const layer = element.closest<HTMLElement>("[data-lumbit-layer]");
                return layer && getComputedStyle(layer).opacity !== "0"
                  ? [String(layer.dataset.lumbitLayer)]
                  : [];
              }),
            ),
          ],
        })),
      };
    });
    const pose = poseAt(layout, scroll);
    for (const [index, scene] of pose.scenes.entries())
      for (const layer of scene.layers) {
        // What is in a slide out of view is not moved.
        const top = layout.scenes[index]?.layers.find((one) =>
          withInner(one).some(({ name }) => name === layer.name),
        );
        if (top && isReel(top.layer) && top.name !== layer.name) continue;
        const own = found.boxes.find(({ name }) => name === `${scene.name} ${layer.name}`);
        if (!own || !layer.visible) continue;
        const box = boundsOf(layer, layer.rotate);
        const wanted = [box.left, box.top, box.width, box.height];
        for (const [side, value] of own.sides.entries())
          expect(Math.abs(value - (wanted[side] ?? 0)), `${own.name} ${side} at ${scroll}`).toBeLessThan(0.5);
        compared++;
      }
    for (const { point, names } of found.points)
      expect(layersAt(layout, scroll, point).map(({ layer }) => layer)).toEqual(names);
  }
  expect(compared).toBeGreaterThan(40);
});
