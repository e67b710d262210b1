import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { pathToFileURL } from "node:url";
import { layoutPage, type Page, poseAt } from "lumbit/core";
import { pageCss, pageHtml } from "lumbit/static";
import type { CDPSession, Page as Tab } from "playwright-core";
import sharp from "sharp";
import { expect, test } from "vitest";
import { openChromium, scrollPage } from "./chromium.ts";
import { temporaryFolder } from "./command.ts";

const viewport = { width: 600, height: 400 };
const bars = [0, 0.6, 1.5, 4, -0.3].map((depth, index) => ({
  name: `bar-${index}`,
  shape: "rectangle" as const,
  background: "#000",
  depth,
  place: { left: `${20 * index}%`, top: "400px", width: "60px", height: "100px" } as const,
}));
const page: Page = {
  format: "lumbit/1",
  title: "Blocked",
  lang: "en",
  scenes: [
    { name: "before", height: "600px", background: "#fff", layers: [] },
    { name: "scene", height: "900px", background: "#fff", layers: bars },
    { name: "after", height: "600px", background: "#fff", layers: [] },
  ],
};

/** Where in a screenshot the bar in a column begins, in px; `undefined` where it is out of view. */
async function barTops(png: Buffer): Promise<(number | undefined)[]> {
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
  const scale = info.width / viewport.width;
  return bars.map((_, index) => {
    const x = Math.round((120 * index + 30) * scale);
    for (let y = 0; y < info.height; y++)
      if ((data[(y * info.width + x) * info.channels] as number) < 128) return y / scale;
    return undefined;
  });
}

/** Scrolls by wheel events that the browser's own process makes, at 300 px a second. */
const scrollBy = (client: CDPSession, distance: number) =>
  client.send("Input.synthesizeScrollGesture", {
    ...{ x: 300, y: 200, yDistance: -distance, speed: 300, gestureSourceType: "mouse", preventFling: true },
  });

/** A browser without a window often leaves its first such scroll lying until the mouse has been used. */
async function warmUp(tab: Tab, client: CDPSession): Promise<void> {
  await tab.mouse.move(300, 200);
  for (let tries = 0; tries < 8; tries++) {
    const scrolled = await Promise.race([scrollBy(client, 20).then(() => true), pause(2000)]);
    if (scrolled) return;
    await tab.mouse.wheel(0, 10);
  }
  throw new Error("the browser does not scroll");
}

test("with the main thread blocked, native layers are where they belong while the page scrolls", async () => {
  const folder = temporaryFolder();
  const assets = { pictures: {}, fonts: {} };
  writeFileSync(join(folder, "page.css"), pageCss(page, assets));
  writeFileSync(join(folder, "index.html"), pageHtml(page, { assets, stylesheet: "page.css" }));
  const layout = layoutPage(page, viewport, { layer: () => ({ width: 0, height: 0 }) });
  const browser = await openChromium();
  const tab = await browser.newPage({ viewport });
  await tab.goto(pathToFileURL(join(folder, "index.html")).href);
  const client = await tab.context().newCDPSession(tab);
  await warmUp(tab, client);
  await scrollPage(tab, 500);
  const frames: { png: Buffer; time: number; scroll: number }[] = [];
  client.on("Page.screencastFrame", ({ data, metadata, sessionId }) => {
    frames.push({
      png: Buffer.from(data, "base64"),
      time: (metadata.timestamp ?? 0) * 1000,
      scroll: metadata.scrollOffsetY,
    });
    // The last frame may come while the browser closes, which then no longer hears that it has come.
    client.send("Page.screencastFrameAck", { sessionId }).catch(() => undefined);
  });
  await client.send("Page.startScreencast", { format: "png", everyNthFrame: 1 });
  const blocked = tab.evaluate(
    () =>
      new Promise<[number, number]>((done) =>
        setTimeout(() => {
          const start = Date.now();
          while (Date.now() < start + 500);
          done([start, Date.now()]);
        }, 300),
      ),
  );
  // Wheel events from the browser's own process: the page's main thread has no part in them.
  const scrolling = scrollBy(client, 400);
  const late = pause(30_000).then(() => Promise.reject(new Error("the browser does not scroll")));
  const [[start, end]] = await Promise.race([Promise.all([blocked, scrolling]), late]).finally(() =>
    browser.close(),
  );

  const during = frames.filter(({ time }) => time > start + 50 && time < end - 20);
  expect(new Set(during.map(({ scroll }) => scroll)).size).toBeGreaterThan(5);
  let seen = 0;
  for (const { png, scroll } of during) {
    const posed = poseAt(layout, scroll).scenes[1]?.layers ?? [];
    for (const [index, top] of (await barTops(png)).entries()) {
      const wanted = posed[index]?.top ?? Number.NaN;
      if (top === undefined || wanted < 1) continue;
      seen++;
      // Pixels of a screenshot are whole, and the browser snaps to them.
      expect(Math.abs(top - wanted), `bar ${index} at scroll ${scroll}`).toBeLessThanOrEqual(1.5);
    }
  }
  expect(seen).toBeGreaterThan(during.length);
});
