import { existsSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import type { Page as PageFile } from "lumbit/core";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, expect } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { root } from "./command.ts";

export interface Viewport {
  width: number;
  height: number;
}

const types: Record<string, string> = {
  js: "text/javascript",
  css: "text/css",
  webp: "image/webp",
  woff2: "font/woff2",
};

/**
 * Gives what opens an address under a strict policy, with the library and what is in `folders` beside it, for as long
 * as the tests of a file run. The address `""` is an empty document.
 */
export function documents(...folders: string[]): (path: string, viewport: Viewport) => Promise<Page> {
  let browser: Chromium;
  let server: Server;
  beforeAll(async () => {
    server = createServer((request, response) => {
      const path = String(request.url);
      const policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self'; font-src 'self'";
      const file = [join(root, "packages/lumbit"), ...folders]
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
    browser = await openChromium();
  });
  afterAll(async () => {
    await browser?.close();
    server?.close();
  });
  return async (path, viewport) => {
    const page = await browser.newPage({ viewport });
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/${path}`, {
      waitUntil: "load",
    });
    await page.evaluate("document.fonts.ready");
    return page;
  };
}

/** Mounts a page file in an empty document, as `live` of its window. */
export const mounted = async (page: Page, file: PageFile, driver: string, sizes: object) => {
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
/** Where everything of a mounted page is at a scroll position, and how it looks. */
export const boxes = async (page: Page, scroll: number) => {
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
export const painted = (all: Awaited<ReturnType<typeof boxes>>) =>
  all
    .filter(({ order }) => Number.isFinite(order))
    .toSorted((a, b) => a.order - b.order)
    .map(({ name }) => name);
const isOn = ({ width, height }: Viewport, [left = 0, top = 0, wide = 0, high = 0]: readonly number[]) =>
  top < height && top + high > 0 && left < width && left + wide > 0;
/** With a screen, of what is on it only: what is in a slide out of view may stand anywhere. */
export const expectSame = (
  a: Awaited<ReturnType<typeof boxes>>,
  b: typeof a,
  within: number,
  what: string,
  screen?: Viewport,
) => {
  expect(
    a.map(({ name }) => name),
    what,
  ).toEqual(b.map(({ name }) => name));
  for (const [index, { name, numbers }] of a.entries()) {
    const other = b[index]?.numbers ?? [];
    if (screen && ![numbers, other].some((box) => isOn(screen, box))) continue;
    for (const [side, value] of numbers.entries())
      expect(Math.abs(value - (other[side] ?? 0)), `${what}: ${name}, ${side}`).toBeLessThan(within);
  }
};
