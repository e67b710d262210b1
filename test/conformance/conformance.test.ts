import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { isText, layoutPage, type Natural, poseAt } from "lumbit/core";
import { pageCss, pageHtml } from "lumbit/static";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Engine, launchers } from "../engines.ts";
import { cases } from "./cases.ts";

/** Half a pixel, in opacity 0.01, in blur 0.1 px: at most this far may a browser be from the core. */
const bars = { box: 0.5, opacity: 0.01, blur: 0.1 };
const viewports = [
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
];
const positions = 25;
const tank = { width: 400, height: 300 };

/** What a browser says of a page at many scroll positions: natural sizes of texts and contents, and every layer. */
interface Reading {
  texts: Record<string, { width: number; height: number }>;
  contents: Record<string, number>;
  scrollHeight: number;
  steps: { scroll: number; layers: Record<string, number[]>; backdrop?: number[] }[];
}

const readPage = `
const frame = () => new Promise(requestAnimationFrame);
const box = (element) => { const { left, top, width, height } = element.getBoundingClientRect(); return [left, top, width, height]; };
const key = (element) => element.closest("[data-lumbit-scene]").dataset.lumbitScene + "/" + element.dataset.lumbitLayer;
const layers = [...document.querySelectorAll("[data-lumbit-layer]")];
const texts = Object.fromEntries(layers.filter((element) => /^(H\\d|P)$/.test(element.tagName)).map((element) => [key(element), { width: parseFloat(getComputedStyle(element).width), height: parseFloat(getComputedStyle(element).height) }]));
const contents = Object.fromEntries([...document.querySelectorAll(".lumbit-content")].map((element) => [element.parentElement.dataset.lumbitScene, element.getBoundingClientRect().height]));
const { scrollHeight } = document.documentElement;
const steps = [];
for (let index = 0; index < ${positions}; index++) {
  scrollTo({ top: Math.round((scrollHeight - innerHeight) * index / ${positions - 1}), behavior: "instant" });
  await frame(); await frame();
  const backdrop = document.querySelector("[data-lumbit-backdrop]");
  steps.push({
    scroll: scrollY,
    layers: Object.fromEntries(layers.map((element) => {
      const style = getComputedStyle(element);
      return [key(element), [...box(element), Number(style.opacity), Number(/blur\\(([\\d.]+)px\\)/.exec(style.filter)?.[1] ?? 0)]];
    })),
    backdrop: backdrop ? box(backdrop) : undefined,
  });
}
return JSON.stringify({ texts, contents, scrollHeight, steps });`;

let server: Server;
let origin: string;
beforeAll(async () => {
  const sharp = (await import("sharp")).default;
  const picture = await sharp({ create: { ...tank, channels: 3, background: "#08f" } })
    .png()
    .toBuffer();
  server = createServer((request, response) => {
    const [, index, file] = (request.url ?? "").split("/");
    const found = cases[Number(index)];
    if (!found) return void response.writeHead(404).end();
    const assets = { pictures: { "tank.png": { url: "tank.png", ...tank } }, fonts: {} };
    if (file === "tank.png")
      return void response.writeHead(200, { "content-type": "image/png" }).end(picture);
    if (file === "page.css")
      return void response.writeHead(200, { "content-type": "text/css" }).end(pageCss(found.page, assets));
    response
      .writeHead(200, { "content-type": "text/html; charset=utf-8" })
      .end(pageHtml(found.page, { assets, stylesheet: "page.css" }));
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => server.close());

describe.each(Object.keys(launchers) as Engine["name"][])("%s, native", (name) => {
  let engine: Engine;
  let worst = 0;
  beforeAll(async () => {
    engine = await launchers[name]();
  });
  afterAll(async () => {
    await engine?.close();
    console.log(`${name}, native: largest error ${worst.toFixed(3)} px over ${cases.length} cases`);
  });

  test.each(cases.map(({ name }, index) => [name, index] as const))("%s", async (_, index) => {
    const { page } = cases[index] as (typeof cases)[number];
    await engine.open(`${origin}/${index}/`);
    for (const viewport of viewports) {
      await engine.resize(viewport.width, viewport.height);
      const reading = JSON.parse(await engine.run<string>(readPage)) as Reading;
      const layout = layoutPage(page, viewport, naturalFrom(reading, page));
      expect(Math.abs(reading.scrollHeight - layout.scrollHeight), "scroll height").toBeLessThanOrEqual(1);
      for (const { scroll, layers, backdrop } of reading.steps) {
        const pose = poseAt(layout, scroll);
        const where = `at ${viewport.width} x ${viewport.height}, scrolled ${scroll}`;
        const inView = pose.scenes.filter(({ top, height }) => top < viewport.height && top + height > 0);
        for (const scene of inView)
          for (const layer of scene.layers) {
            const [
              left = Number.NaN,
              top = Number.NaN,
              width = Number.NaN,
              height = Number.NaN,
              opacity = Number.NaN,
              blur = Number.NaN,
            ] = layers[`${scene.name}/${layer.name}`] ?? [];
            const errors = {
              left: left - layer.left,
              top: top - layer.top,
              width: width - layer.width,
              height: height - layer.height,
            };
            if (layer.width + layer.height > 0)
              for (const [side, error] of Object.entries(errors)) {
                worst = Math.max(worst, Math.abs(error));
                expect(
                  Math.abs(error),
                  `${scene.name}/${layer.name} ${side} ${where}: ${JSON.stringify({ left, top, width, height })} for ${JSON.stringify(layer)}`,
                ).toBeLessThanOrEqual(bars.box);
              }
            else expect(width + height, `${layer.name} ${where}`).toBe(0);
            expect(Math.abs(opacity - layer.opacity), `${layer.name} opacity`).toBeLessThanOrEqual(
              bars.opacity,
            );
            expect(Math.abs(blur - layer.blur), `${layer.name} blur`).toBeLessThanOrEqual(bars.blur);
          }
        if (pose.backdrop) {
          const { left, top, width, height } = pose.backdrop;
          for (const [side, value] of [left, top, width, height].entries())
            expect(
              Math.abs((backdrop?.[side] ?? Number.NaN) - value),
              `backdrop ${side} ${where}`,
            ).toBeLessThanOrEqual(bars.box);
        }
      }
    }
  });
});

/** Natural sizes as the browser has them: fonts differ from machine to machine, the model does not. */
function naturalFrom({ texts, contents }: Reading, page: (typeof cases)[number]["page"]): Natural {
  const sceneOf = new Map(
    page.scenes.flatMap((scene) =>
      scene.layers.flatMap((layer) =>
        ("layers" in layer && layer.layers ? [layer, ...layer.layers] : [layer]).map(
          (layer) => [layer.name, scene.name] as const,
        ),
      ),
    ),
  );
  return {
    layer: (layer) =>
      isText(layer) ? (texts[`${sceneOf.get(layer.name)}/${layer.name}`] ?? { width: 0, height: 0 }) : tank,
    content: (scene) => contents[scene.name] ?? 0,
  };
}
