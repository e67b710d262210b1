import { existsSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import fc from "fast-check";
import { type Layer, layersAt, type Page as PageFile, type PageLayout, poseAt } from "lumbit/core";
import { boundsOf, isReel, withInner } from "lumbit/internal";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";

/** A whole page in a document of its own, that can be changed: the demo, against the site that is built of it. */
const demo = join(root, "examples/tidehouse");
const source = JSON.parse(readFileSync(join(demo, "page.json"), "utf8")) as PageFile;
let browser: Chromium;
let server: Server;
let origin: string;
let site: string;
const types: Record<string, string> = {
  js: "text/javascript",
  css: "text/css",
  webp: "image/webp",
  woff2: "font/woff2",
};

beforeAll(async () => {
  site = join(temporaryFolder(), "site");
  await lumbit(["build", join(demo, "page.json"), "-o", site, "--originals"], demo);
  server = createServer((request, response) => {
    const path = String(request.url);
    const policy = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self'; font-src 'self'";
    const file = [join(root, "packages/lumbit"), site, demo]
      .map((home) => join(home, path))
      .find((file) => existsSync(file));
    const blank = path === "/";
    response.writeHead(blank || file ? 200 : 404, {
      "content-type": types[path.slice(path.lastIndexOf(".") + 1)] ?? "text/html; charset=utf-8",
      "content-security-policy": policy,
    });
    response.end(
      blank ? "<!doctype html><html><head></head><body></body></html>" : file && readFileSync(file),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  server?.close();
});

const open = async (path: string, viewport: { width: number; height: number }): Promise<Page> => {
  const page = await browser.newPage({ viewport });
  await page.goto(`${origin}/${path}`, { waitUntil: "load" });
  await page.evaluate("document.fonts.ready");
  return page;
};
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
const mounted = async (page: Page, file: PageFile, driver: string, sizes: object) => {
  await page.evaluate('import("/dist/lumbit.js").then((lumbit) => void Object.assign(window, lumbit))');
  await page.evaluate(
    ([file, driver, sizes]) => {
      const { mountPage } = window as never as { mountPage: (...of: unknown[]) => unknown };
      Object.assign(window, { live: mountPage(document, file, { pictures: sizes, fonts: {} }, { driver }) });
    },
    [file, driver, sizes] as const,
  );
  await page.waitForLoadState("networkidle");
  await page.evaluate("document.fonts.ready");
};
const frames = (page: Page) =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))),
  );
const boxes = async (page: Page, scroll: number) => {
  await page.evaluate((top) => window.scrollTo({ top, behavior: "instant" }), scroll);
  await frames(page);
  return page.evaluate(() =>
    [
      ...document.querySelectorAll(
        // Titles of slides come and go in their own time.
        ":is([data-lumbit-layer], [data-lumbit-pane], [data-lumbit-block], [data-lumbit-scene]):not([data-lumbit-is~=title])",
      ),
    ].map((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      const { opacity, filter, zIndex } = getComputedStyle(element);
      const { lumbitLayer, lumbitPane, lumbitBlock, lumbitScene } = (element as HTMLElement).dataset;
      const name = [lumbitScene, lumbitPane, lumbitLayer, lumbitBlock].join(" ");
      return {
        name,
        numbers: [left, top, width, height],
        style: [opacity, filter].join(),
        order: Number(zIndex),
      };
    }),
  );
};
/** Elements as they are painted: what their order is in figures is nobody's business. */
const painted = (all: Awaited<ReturnType<typeof boxes>>) =>
  all
    .filter(({ order }) => Number.isFinite(order))
    .toSorted((a, b) => a.order - b.order)
    .map(({ name }) => name);
const isSeen = ([left = 0, top = 0, width = 0, height = 0]: readonly number[]) =>
  top < 900 && top + height > 0 && left < 1300 && left + width > 0;
const expectSame = (a: Awaited<ReturnType<typeof boxes>>, b: typeof a, within: number, what: string) => {
  expect(
    a.map(({ name }) => name),
    what,
  ).toEqual(b.map(({ name }) => name));
  for (const [index, { name, numbers }] of a.entries()) {
    const other = b[index]?.numbers ?? [];
    // Where nobody sees them, layers may stand anywhere.
    if (![numbers, other].some(isSeen)) continue;
    for (const [side, value] of numbers.entries())
      expect(Math.abs(value - (other[side] ?? 0)), `${what}: ${name}, ${side}`).toBeLessThan(within);
  }
};

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

const stones = (depths: readonly number[]): Layer[] =>
  depths.map((depth, index) => ({
    ...{ name: `stone-${index}`, shape: "rectangle", background: "#0a6", depth },
    place: { left: `${10 * index}%`, top: "30vh", width: "8%", height: "12vh" },
  }));
/** Comes to its full strength as its scene passes. */
const fading = (opacity: number): Pick<Layer, "ramps"> => ({
  ramps: [
    {
      property: "opacity",
      stops: [
        { at: "cover 0%", value: opacity },
        { at: "cover 100%", value: 1 },
      ],
    },
  ],
});
const shore = (depths: readonly number[], text = "Low water", faint?: number): PageFile => ({
  ...{ format: "lumbit/1", title: "Shore", lang: "en", page: { background: "#06202b", color: "#fff" } },
  scenes: [
    {
      name: "shore",
      height: "150vh",
      layers: [...stones(depths), { name: "title", text, as: "h1", depth: 0.5, ...(faint && fading(faint)) }],
    },
    { name: "end", height: "120vh", layers: stones([0.4]) },
  ],
});

test.each(["native", "scripted"])(
  "a change of a depth leaves every element and the styles of all others, %s",
  async (driver) => {
    const page = await open("", { width: 1000, height: 700 });
    const before = shore([0.2, 1, 3]);
    await mounted(page, before, driver, {});
    await boxes(page, 300);
    const texts = () =>
      page.evaluate(() =>
        document.adoptedStyleSheets.map((sheet) =>
          [...sheet.cssRules].map(({ cssText }) => cssText).join("\n"),
        ),
      );
    const old = await texts();
    await page.evaluate("window.elements = [...document.querySelectorAll('*')]");
    // As an editor does it: what does not change is the same object.
    await page.evaluate(`{
    const page = ${JSON.stringify(before)};
    live.update(page);
    const [scene, end] = page.scenes;
    const [first, ...others] = scene.layers;
    window.next = { ...page, scenes: [{ ...scene, layers: [{ ...first, depth: 4 }, ...others] }, end] };
    window.writes = 0;
    const replace = CSSStyleSheet.prototype.replaceSync;
    CSSStyleSheet.prototype.replaceSync = function (text) { writes++; replace.call(this, text); };
    live.update(next);
  }`);
    // The new values stand on the one element: a changed sheet would have all of the document styled anew.
    expect(await page.evaluate("writes")).toBe(0);
    expect(await texts()).toEqual(old);
    expect(
      await page.evaluate(
        "elements.filter((element) => element.dataset.lumbitLayer && element.style.length > 0).map(({ dataset }) => dataset.lumbitLayer)",
      ),
    ).toContain("stone-0");
    expect(
      await page.evaluate(
        "[...document.querySelectorAll('*')].every((element, index) => element === elements[index])",
      ),
    ).toBe(true);
    const fresh = await open("", { width: 1000, height: 700 });
    await mounted(fresh, shore([4, 1, 3]), driver, {});
    // Before it is scrolled as well.
    for (const scroll of [300, 0, 800])
      expectSame(await boxes(page, scroll), await boxes(fresh, scroll), 0.1, `${scroll}`);
  },
);

test.each(["native", "scripted"])(
  "after any changes a page is as one that is mounted anew, %s",
  async (driver) => {
    const page = await open("", { width: 900, height: 600 });
    const fresh = await open("", { width: 900, height: 600 });
    await mounted(page, shore([1]), driver, {});
    const state = fc.record({
      depths: fc.array(fc.constantFrom(-0.3, 0, 0.4, 0.5, 2), { maxLength: 4 }),
      text: fc.constantFrom("Low water", "High\nwater"),
      faint: fc.constantFrom(undefined, 0.2, 0.7),
      more: fc.constantFrom(
        {},
        { hold: "40vh" },
        { content: [{ text: "The water comes in." }] },
        { relief: 0.5, height: "180vh" },
      ),
      swapped: fc.boolean(),
    });
    await fc.assert(
      fc.asyncProperty(state, async ({ depths, text, faint, more, swapped }) => {
        const { scenes, ...rest } = shore(depths, text, faint);
        const changed = scenes.map((scene, index) =>
          index === 0 ? { ...scene, ...more } : scene,
        ) as PageFile["scenes"];
        const next = { ...rest, scenes: swapped ? changed.toReversed() : changed };
        await page.evaluate(
          (next) => void (window as never as { live: { update(page: unknown): void } }).live.update(next),
          next,
        );
        await fresh.evaluate("window.live?.dispose()");
        await mounted(fresh, next, driver, {});
        for (const scroll of [350, 0, 350]) {
          const [own, other] = [await boxes(page, scroll), await boxes(fresh, scroll)];
          expectSame(own, other, 0.1, JSON.stringify({ depths, faint, more, swapped, scroll }));
          expect(own.map(({ style }) => style)).toEqual(other.map(({ style }) => style));
          expect(painted(own)).toEqual(painted(other));
        }
      }),
      { numRuns: 25 },
    );
    expect(
      await fresh.evaluate(
        "(live.dispose(), document.adoptedStyleSheets.length + document.body.children.length)",
      ),
    ).toBe(0);
  },
);

test("in a page of many layers the others stand while one is changed step by step, where they were, until the next scroll", async () => {
  const many = (dragged: number): PageFile => {
    const depths = Array.from({ length: 130 }, (_, index) => (index === 7 ? dragged : (index % 9) / 3));
    const layers = stones(depths).map((layer, index) => ({
      ...layer,
      place: { left: `${index % 90}%`, top: `${index % 70}vh`, width: "8%", height: "12vh" },
      ...(index % 4 === 0 && fading(0.2)),
    }));
    return {
      ...shore([]),
      scenes: [{ name: "shore", height: "150vh", layers } as PageFile["scenes"][number]],
    };
  };
  const page = await open("", { width: 1000, height: 700 });
  const fresh = await open("", { width: 1000, height: 700 });
  await mounted(page, many(1), "native", {});
  await mounted(fresh, many(2), "native", {});
  await boxes(page, 300);
  const standing = () =>
    page.evaluate(() => {
      const moving = new Set(document.getAnimations().map(({ effect }) => (effect as KeyframeEffect).target));
      return [...document.querySelectorAll("[data-lumbit-layer]")].filter((layer) => !moving.has(layer))
        .length;
    });
  const untouched = await standing();
  // As an editor does it: what does not change is the same object.
  await page.evaluate((next) => {
    const { live } = window as never as { live: { update(page: PageFile): void } };
    let shown = next;
    live.update(shown);
    Object.assign(window, {
      drag: async (depths: number[]) => {
        for (const depth of depths) {
          const [scene] = shown.scenes;
          const layers = scene?.layers.map((layer, index) => (index === 7 ? { ...layer, depth } : layer));
          shown = { ...shown, scenes: [{ ...scene, layers }] } as PageFile;
          live.update(shown);
          await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
        }
      },
    });
  }, many(1));
  await page.evaluate("drag([1.2, 1.4, 1.6, 1.8, 2])");
  expect((await standing()) - untouched).toBeGreaterThan(100);
  const as = async (scroll: number) => {
    const [own, other] = [await boxes(page, scroll), await boxes(fresh, scroll)];
    expectSame(own, other, 0.1, `${scroll}`);
    expect(own.map(({ style }) => style)).toEqual(other.map(({ style }) => style));
  };
  await as(300);
  expect((await standing()) - untouched).toBeGreaterThan(100);
  await as(520);
  expect(await standing()).toBe(untouched);
  // Who pauses them, or waits, finds nothing of it either.
  await page.evaluate("drag([1.8, 2, 1.8, 2, 2.1, 2])");
  expect(await standing()).toBeGreaterThan(untouched);
  await expect.poll(standing, { timeout: 5000 }).toBe(untouched);
  expect(
    await page.evaluate(
      "[...document.querySelectorAll('[data-lumbit-layer]')].filter(({ style }) => style.animation).length",
    ),
  ).toBe(0);
  await as(520);
});
