import { writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page as Tab } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { lumbit, root, temporaryFolder } from "./command.ts";
import { engineNames, engineOf } from "./engines.ts";
import { serveFolder } from "./serve.ts";

/** The demo as it is delivered, beside the demo with its pictures as they are. */
const sites: Record<"delivered" | "originals", string> = { delivered: "", originals: "" };
const closes: (() => void)[] = [];
let browser: Chromium;

beforeAll(async () => {
  const folder = temporaryFolder();
  const demo = join(root, "examples/tidehouse/page.json");
  for (const name of ["delivered", "originals"] as const) {
    const more = name === "originals" ? ["--originals"] : [];
    expect((await lumbit(["build", demo, "-o", name, ...more], folder)).stderr).toBe("");
    const { origin, close } = await serveFolder(
      join(folder, name),
      "default-src 'self'; script-src 'self' 'unsafe-eval'",
    );
    sites[name] = origin;
    closes.push(close);
  }
  browser = await openChromium();
}, 300_000);
afterAll(async () => {
  await browser?.close();
  for (const close of closes) close();
});

/** Where pictures are when what plays by itself has come to its end; nothing until those in view are loaded. */
const boxes = `
  for (let frame = 0; frame < 2; frame++) await new Promise(requestAnimationFrame);
  for (const own of document.getAnimations()) if (own.timeline === document.timeline && own.playState === "running") own.finish();
  const seen = [...document.images].filter((image) => {
    const { top, bottom } = image.getBoundingClientRect();
    return bottom > 0 && top < innerHeight;
  });
  if (!seen.every((image) => image.complete)) return [];
  return [...document.querySelectorAll("img[data-lumbit-layer]")].map((layer) => {
    const { left, top, width, height } = layer.getBoundingClientRect();
    return [layer.dataset.lumbitLayer, ...[left, top, width, height].map((side) => Math.round(side))].join(" ");
  });`;

describe.each(engineNames)("%s", (name) => {
  test("layers lie where they lie with the originals", async () => {
    const engine = await engineOf(name);
    const found: Record<string, string[][]> = {};
    for (const [site, origin] of Object.entries(sites)) {
      await engine.open(`${origin}/`);
      await engine.resize(1280, 800);
      found[site] = [];
      for (const scroll of [0, 1500, 4000]) {
        await engine.run(`scrollTo({ top: ${scroll}, behavior: "instant" }); await document.fonts.ready;`);
        let last: string[] = [];
        const isAtRest = async () => {
          const before = last;
          last = await engine.run<string[]>(boxes);
          return last.length > 0 && last.join() === before.join();
        };
        await expect.poll(isAtRest, { timeout: 10_000 }).toBe(true);
        found[site]?.push(last);
      }
    }
    expect(found.delivered?.[0]?.length).toBeGreaterThan(20);
    expect(found.delivered).toEqual(found.originals);
  });
});

test.each(engineNames)(
  "pictures in a row stand where they were placed, delivered too, in %s",
  async (name) => {
    const folder = temporaryFolder();
    const noise = { type: "gaussian", mean: 128, sigma: 30 } as const;
    await sharp({ create: { width: 600, height: 600, channels: 3, background: "#888", noise } })
      .png()
      .toFile(join(folder, "square.png"));
    const square = { image: "square.png", alt: "", place: { width: "120px" } };
    const layers = [
      {
        ...{ name: "row", row: { gap: "20px" }, place: { left: "10%", top: "20vh" } },
        layers: ["one", "two", "three"].map((name) => ({ name, ...square })),
      },
    ];
    const page = {
      format: "lumbit/1",
      title: "Row",
      lang: "en",
      scenes: [{ name: "a", height: "120vh", layers }],
    };
    writeFileSync(join(folder, "page.json"), JSON.stringify(page));
    expect((await lumbit(["build", "page.json", "-o", "site"], folder)).stderr).toBe("");
    const { origin, close } = await serveFolder(
      join(folder, "site"),
      "default-src 'self'; script-src 'self' 'unsafe-eval'",
    );
    const engine = await engineOf(name);
    await engine.open(`${origin}/`);
    await engine.resize(1280, 800);
    const found = await engine.run<[number, number, number]>(`
    const { left, width } = document.querySelector("[data-lumbit-layer=row]").getBoundingClientRect();
    return [document.querySelectorAll("source").length, Math.round(left), Math.round(width)];`);
    close();
    expect(found[0]).toBeGreaterThan(0);
    expect(found.slice(1)).toEqual([128, 3 * 120 + 2 * 20]);
  },
);

/** What a screen loads of the pictures in view, and how many of its own pixels each pixel of a file covers at most. */
const seen = (tab: Tab) =>
  tab.evaluate(async () => {
    const images = [...document.images].filter((image) => {
      const { top, bottom, width } = image.getBoundingClientRect();
      return bottom > 0 && top < innerHeight && width > 0;
    });
    await Promise.all(images.map((image) => image.decode().catch(() => {})));
    return Promise.all(
      images.map(async (image) => {
        const { width, height } = image.getBoundingClientRect();
        const bitmap = await createImageBitmap(await (await fetch(image.currentSrc)).blob()).catch(
          () => undefined,
        );
        const file = bitmap ?? { width: image.naturalWidth, height: image.naturalHeight };
        const stretched = devicePixelRatio * Math.max(width / file.width, height / file.height);
        return {
          name: image.dataset.lumbitLayer ?? "backdrop",
          url: image.currentSrc,
          stretched,
          file: file.width,
          whole: Number(image.getAttribute("width")),
        };
      }),
    );
  });

test.each([
  ["a telephone", 390, 844, 3],
  ["a laptop", 1280, 800, 1],
  ["a large screen", 1920, 1080, 1],
])(
  "%s loads pictures as sharp as the originals allow, in the smallest kind",
  async (_, width, height, density) => {
    const context = await browser.newContext({ viewport: { width, height }, deviceScaleFactor: density });
    const tab = await context.newPage();
    try {
      await tab.goto(sites.delivered);
      for (const scroll of [0, 1700, 3400]) {
        await tab.evaluate((top) => scrollTo({ top, behavior: "instant" }), scroll);
        await tab.waitForTimeout(400);
        const pictures = await seen(tab);
        expect(pictures.length).toBeGreaterThan(2);
        for (const { name, url, stretched, file, whole } of pictures) {
          // Enlarged only where the original is no wider.
          if (file < whole) expect(stretched, `${name} at ${scroll}: ${url}`).toBeLessThan(1.12);
          expect(url, name).toMatch(/\.(avif|webp|svg)$/);
        }
      }
    } finally {
      await context.close();
    }
  },
);
