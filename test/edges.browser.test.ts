import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import type { Layer, Page, Scene } from "lumbit/core";
import { pageCss, pageHtml } from "lumbit/static";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { root } from "./command.ts";
import { casesIn, drawnEngineOf, engineNames } from "./engines.ts";

/** The signal colour behind every picture: where it can be seen, an edge shows. */
const signal = "#ff00ff";
const picture = { image: "tank.png", alt: "" } as const;

/** Scenes of odd heights, wholly covered by pictures and panes of every depth. */
const scenes: Scene[] = (["horizon", 4, 1, 0.35, 0.1, -0.2, -0.45] as const).map((depth, index) => ({
  name: `scene-${index}`,
  height: `${33.3 + index * 27.7}vh`,
  background: signal,
  layers:
    index % 3 === 2
      ? [
          {
            name: "left",
            ...picture,
            depth,
            pane: true,
            place: { left: 0, top: 0, width: "50%", height: "100%" },
          },
          {
            name: "right",
            ...picture,
            depth,
            direction: "up",
            pane: true,
            place: { left: "50%", top: 0, width: "50%", height: "100%" },
          },
        ]
      : [{ name: "whole", ...picture, depth, direction: index % 2 ? "down" : 30 }],
}));
// Rules put into panes what stood free, and place what filled its scene.
scenes.push({
  name: "rules",
  height: "71.3vh",
  background: signal,
  layers: [
    {
      name: "left",
      ...picture,
      depth: 1,
      rules: [
        { media: "(max-width: 900px)", pane: true },
        { media: "(max-width: 900px)", place: { left: 0, width: "50%", top: 0, bottom: 0 } },
      ],
    },
    {
      name: "right",
      ...picture,
      depth: -0.3,
      place: { left: "50%", top: 0, width: "50%", height: "100%" },
      rules: [{ media: "(min-width: 1px)", pane: true }],
    },
  ],
});
// Groups and rows that run in panes reach past them as pictures do; one row is lower than its pane, one higher.
scenes.push({
  name: "groups",
  height: "83.3vh",
  background: signal,
  layers: [
    {
      name: "group",
      ...{ pane: true, speed: 1.3, place: { left: 0, width: "33.3%", top: 0, height: "100%" } },
      layers: [{ name: "filled", ...picture }],
    },
    ...[2, 40].map((lines, index) => ({
      name: `row-${index}`,
      row: { along: "y" as const },
      ...{ pane: true, depth: index === 0 ? 0.6 : -0.3, direction: 20, background: "#0080a0" },
      place: {
        left: index === 0 ? "33.3%" : "66.6%",
        right: index === 0 ? "33.3%" : 0,
        top: 0,
        height: "100%",
      },
      layers: [{ name: `words-${index}`, text: "Low\n".repeat(lines), color: "#006080" }],
    })),
  ] as Layer[],
});
const page: Page = { format: "lumbit/1", title: "Edges", lang: "en", scenes };
const assets = { pictures: { "tank.png": { url: "tank.png", width: 2000, height: 1500 } }, fonts: {} };

let server: Server;
beforeAll(async () => {
  const tank = await sharp({ create: { width: 2000, height: 1500, channels: 3, background: "#0080a0" } })
    .png()
    .toBuffer();
  server = createServer((request, response) => {
    const files: Record<string, [string, string | Buffer]> = {
      "/tank.png": ["image/png", tank],
      "/page.css": ["text/css", `${pageCss(page, assets)}html{scrollbar-width:none}`],
    };
    const [type, body] = files[request.url ?? ""] ?? [
      "text/html; charset=utf-8",
      pageHtml(page, { assets, stylesheet: "page.css" }),
    ];
    response.writeHead(200, { "content-type": type }).end(body);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
});
afterAll(() => server?.close());

describe.each(engineNames)("%s", (name) => {
  const viewports: [width: number, height: number][] = [
    [320, 568],
    [844, 390],
    [1280, 800],
    // What fits the screen that WebKitGTK is given.
    name === "webkit" ? [1900, 1000] : [3840, 2160],
  ];
  test.each(casesIn(name, viewports))(
    "shows no edge in any pane at %i x %i, at any scroll position",
    async (width, height) => {
      const engine = await drawnEngineOf(name);
      await engine.open(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
      await engine.resize(width, height);
      const range = await engine.run<number>("return document.documentElement.scrollHeight - innerHeight");
      for (let step = 0; step <= 12; step++) {
        const scroll = Math.round((range * step) / 12) + (step % 3) / 3;
        await engine.run(
          `scrollTo({ top: ${scroll}, behavior: "instant" }); for (let frame = 0; frame < 2; frame++) await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));`,
        );
        // A new size may reach Firefox's timelines some frames late; an edge that shows goes on showing.
        await expect
          .poll(async () => signalPixels(await engine.screenshot()), {
            message: `${width} x ${height} scrolled ${scroll}`,
            timeout: 3000,
          })
          .toBe(0);
      }
    },
  );
});

/** How many pixels of a screenshot are nearer to the signal than to the pictures. */
async function signalPixels(screenshot: Buffer): Promise<number> {
  const { data, info } = await sharp(screenshot).raw().toBuffer({ resolveWithObject: true });
  let count = 0;
  for (let at = 0; at < data.length; at += info.channels) if ((data[at] as number) > 100) count++;
  return count;
}

test("the scripted driver is 6 kB at most, compressed", () => {
  const driver = readFileSync(join(root, "packages/lumbit/dist/browser/scripted.js"));
  expect(gzipSync(driver).length).toBeLessThanOrEqual(6 * 1024);
  expect(driver.length).toBeGreaterThan(1000);
});
