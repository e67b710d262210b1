import { cpSync, rmSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { lumbit, root } from "./command.ts";
import { faultPages } from "./fault-pages.ts";
import { serveFolder } from "./serve.ts";

const { folder, check } = faultPages();

describe("the browser shows that the fault is gone", () => {
  let browser: Chromium;
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(async () => {
    await browser?.close();
  });

  /** What a page shows in the browser, before and after `--fix`. */
  async function seen<T>(
    name: string,
    options: NonNullable<Parameters<typeof browser.newPage>[0]>,
    look: (page: Page) => Promise<T>,
  ): Promise<[broken: T, mended: T]> {
    const results: T[] = [];
    for (const version of ["broken", "mended"]) {
      const copy = `${version}-${name}`;
      cpSync(join(root, `test/faults/${name}.json`), join(folder, `${copy}.json`));
      if (version === "mended") await check(copy, "--fix");
      await lumbit(["build", `${copy}.json`, "-o", `site-${copy}`, "--originals"], folder);
      const { origin, close } = await serveFolder(join(folder, `site-${copy}`));
      const page = await browser.newPage(options);
      await page.goto(`${origin}/`);
      results.push(await look(page));
      await page.close();
      close();
      rmSync(join(folder, `site-${copy}`), { recursive: true });
    }
    return results as [T, T];
  }
  /** The pixels of a page at scroll positions. */
  const shots = (name: string, viewport: { width: number; height: number }, scrolls: number[]) =>
    seen(name, { viewport }, async (page) => {
      const taken: Buffer[] = [];
      for (const scroll of scrolls) {
        await scrollPage(page, scroll);
        await page.waitForTimeout(100);
        taken.push(
          await sharp(await page.screenshot())
            .removeAlpha()
            .raw()
            .toBuffer(),
        );
      }
      return taken;
    });

  test("no ground shows below the reef", async () => {
    const viewport = { width: 1280, height: 800 };
    const ground = [6, 32, 43];
    // Rows just above the scene's end, 1280 px down the page, where the page beneath would show through.
    const bare = (pixels: Buffer, row: number) =>
      Array.from({ length: 1280 }, (_, x) => 3 * (row * 1280 + x)).filter((at) =>
        ground.every((value, index) => Math.abs((pixels[at + index] ?? 0) - value) < 3),
      ).length;
    const [broken, mended] = await shots("edge", viewport, [490, 560]);
    const rows = [788, 718] as const;
    const most = (taken: Buffer[]) =>
      Math.max(...taken.map((pixels, index) => bare(pixels, rows[index] ?? 0)));
    expect(most(broken)).toBeGreaterThan(1000);
    expect(most(mended)).toBeLessThan(10);
  });

  test("the words end before the side of the screen", async () => {
    const viewport = { width: 320, height: 568 };
    const [broken, mended] = await seen("overflow", { viewport }, async (page) => {
      const box = await page.locator("[data-lumbit-layer=words]").boundingBox();
      expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
      return (box?.x ?? 0) + (box?.width ?? 0) - 320;
    });
    expect(broken).toBeGreaterThan(100);
    expect(mended).toBeLessThan(0);
  });

  const layer = (name: string) => `[data-lumbit-layer=${name}]`;
  test.each([
    ["overlap", layer("ebb"), layer("flow"), 1],
    ["overlap-content", layer("words"), "[data-lumbit-is~=content] p", 1],
    ["reading-covered", layer("words"), layer("rock"), 1],
    // Of a picture what is around its subject.
    ["subject-covered", layer("plate"), layer("rock"), 0.2],
  ])("what was %s stands apart", async (name, one, other, share) => {
    for (const viewport of [
      { width: 390, height: 844 },
      { width: 1280, height: 800 },
    ]) {
      const [broken, mended] = await seen(name, { viewport, reducedMotion: "reduce" }, async (page) => {
        const [a, b] = [await page.locator(one).boundingBox(), await page.locator(other).boundingBox()];
        if (!a || !b) throw new Error("it is not there");
        const away = (at: "x" | "y", size: "width" | "height") =>
          Math.abs(a[at] + a[size] / 2 - b[at] - b[size] / 2) - (share * a[size] + b[size]) / 2;
        return Math.max(away("x", "width"), away("y", "height"));
      });
      expect(broken).toBeLessThan(0);
      expect(mended).toBeGreaterThanOrEqual(0);
    }
  });

  test("what moves as one group looks as it did", async () => {
    const [broken, mended] = await shots("weight", { width: 1280, height: 800 }, [0, 200, 600]);
    // The rims of ellipses are drawn a little otherwise in a box that moves; half a pixel would be 40 and more.
    for (const [index, pixels] of broken.entries()) {
      const off = pixels.reduce(
        (most, value, at) => Math.max(most, Math.abs(value - (mended[index]?.[at] ?? 255))),
        0,
      );
      expect(off, `moment ${index}`).toBeLessThan(24);
    }
  });

  test("words that movement alone brought in, or freed, are there for who asks for less of it", async () => {
    const options = { viewport: { width: 390, height: 844 }, reducedMotion: "reduce" } as const;
    const box = async (page: Page, name: string) => {
      const found = await page.locator(name).boundingBox();
      if (!found) throw new Error(`${name} is not there`);
      return found;
    };
    const inside = await seen("still", options, async (page) => {
      const [words, scene] = [await box(page, layer("words")), await box(page, "[data-lumbit-scene=sea]")];
      return scene.y + scene.height - words.y - words.height;
    });
    expect(inside[0]).toBeLessThan(0);
    expect(inside[1]).toBeGreaterThan(0);
    const free = await seen("still-covered", options, async (page) => {
      const [words, sluice] = [await box(page, layer("words")), await box(page, layer("sluice"))];
      return words.y - sluice.y - sluice.height;
    });
    expect(free[0]).toBeLessThan(0);
    expect(free[1]).toBeGreaterThan(0);
  });

  const luminance = (r: number, g: number, b: number) => {
    const linear = (value: number) =>
      value <= 0.04045 * 255 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
    return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
  };
  /** The luminances of all pixels in a part of a screen that is 1280 px wide, from dark to bright. */
  const luminances = (
    pixels: Buffer | undefined,
    { left, top, right, bottom }: Record<"left" | "top" | "right" | "bottom", number>,
  ) => {
    const values: number[] = [];
    for (let y = top; y < bottom; y++)
      for (let x = left; x < right; x++) {
        const at = 3 * (y * 1280 + x);
        values.push(luminance(pixels?.[at] ?? 0, pixels?.[at + 1] ?? 0, pixels?.[at + 2] ?? 0));
      }
    return values.sort((a, b) => a - b);
  };
  const contrast = (dark = 0, bright = 0) => (bright + 0.05) / (dark + 0.05);

  test("the title stands out, by the pixels of the screen", async () => {
    const [broken, mended] = await shots("contrast", { width: 1280, height: 800 }, [0]);
    const ofTitle = ([pixels]: Buffer[]) => {
      const values = luminances(pixels, { left: 400, top: 80, right: 880, bottom: 145 });
      return contrast(values[0], values.at(-1));
    };
    expect(ofTitle(broken)).toBeLessThan(2);
    expect(ofTitle(mended)).toBeGreaterThanOrEqual(3);
  });

  test("words on light and dark bands stand out of both, by the pixels of the screen", async () => {
    const [broken, mended] = await shots("contrast-shade", { width: 1280, height: 800 }, [0]);
    // The letters, on both bands, against the brightest that is around them.
    const ofWords = ([pixels]: Buffer[]) => {
      const letters = luminances(pixels, { left: 256, top: 240, right: 600, bottom: 266 }).at(-1);
      return contrast(luminances(pixels, { left: 256, top: 300, right: 600, bottom: 326 }).at(-1), letters);
    };
    expect(ofWords(broken)).toBeLessThan(1.5);
    expect(ofWords(mended)).toBeGreaterThanOrEqual(4.5);
  });
});
