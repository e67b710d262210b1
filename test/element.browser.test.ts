import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { root } from "./command.ts";

let browser: Chromium;
let server: Server;
let origin: string;
const types: Record<string, string> = {
  js: "text/javascript",
  json: "application/json",
  webp: "image/webp",
  svg: "image/svg+xml",
  woff2: "font/woff2",
};
/** Pages that are made of parts, which they share, and what is wrong with them. */
const pages: Record<string, object> = {
  "/shared/low.json": {
    ...{ format: "lumbit/1", title: "Low", lang: "en", shared: "house.json" },
    scenes: [
      { name: "shore", layers: [{ name: "lamp", part: "lamp", copies: { times: 3, across: "20%" } }] },
    ],
  },
  "/shared/lost.json": { format: "lumbit/1", title: "Lost", lang: "en", shared: "none.json", scenes: [] },
  "/shared/house.json": {
    format: "lumbit/1",
    parts: { lamp: { text: "Lamp", depth: 1, place: { left: "10%", top: "20%" } } },
  },
};
beforeAll(async () => {
  server = createServer(({ url = "" }, response) => {
    const file = { dist: "packages/lumbit/dist", tidehouse: "examples/tidehouse" }[url.split("/")[1] ?? ""];
    response.setHeader("content-security-policy", "default-src 'self'");
    response.setHeader("content-type", types[url.split(".").at(-1) ?? ""] ?? "text/html");
    const made = pages[url];
    if (url.startsWith("/shared/"))
      return void response.writeHead(made ? 200 : 404).end(JSON.stringify(made));
    try {
      response.end(
        file
          ? readFileSync(join(root, file, ...url.split("/").slice(2)))
          : '<!doctype html><h1>Elsewhere</h1><div id="gap"></div><lumbit-scene src="tidehouse/page.json" scene="descent"></lumbit-scene><div id="gap"></div><script type="module" src="/dist/element.js"></script>',
      );
    } catch {
      response.writeHead(404).end();
    }
  });
  await new Promise<void>((listening) => server.listen(0, "127.0.0.1", listening));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  server?.close();
});

test("a scene of a page file stands in any page, follows its attributes, and goes without a trace", async () => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const said: string[] = [];
  page.on("console", (message) => said.push(message.text()));
  await page.goto(origin);
  await page.evaluate(() => {
    for (const gap of document.querySelectorAll<HTMLElement>("#gap")) gap.style.height = "1200px";
  });
  const before = await page.$eval("h1", (element) =>
    JSON.stringify([element.getBoundingClientRect(), getComputedStyle(element).font]),
  );
  const descent = page.locator("lumbit-scene[data-lumbit-scene=descent]");
  await descent.waitFor();
  await page.evaluate("document.querySelector('lumbit-scene').mounted.refresh()");
  const picture = page.locator("lumbit-scene img").first();
  await picture.scrollIntoViewIfNeeded();
  await expect
    .poll(() => picture.evaluate((image) => (image as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(0);
  await scrollPage(page, 700);
  const layers = await page.$$eval("lumbit-scene [data-lumbit-is~=drifts]", (all) =>
    all.map((one) => getComputedStyle(one).translate),
  );
  expect(layers.some((translate) => translate !== "none" && !/^0px( 0px)?$/.test(translate))).toBe(true);

  await page.evaluate('document.querySelector("lumbit-scene").setAttribute("scene", "pit")');
  await page.locator("lumbit-scene[data-lumbit-scene=pit]").waitFor();
  expect(await page.locator("lumbit-scene > *").count()).toBeGreaterThan(0);
  await page.evaluate('document.querySelector("lumbit-scene").setAttribute("scene", "nowhere")');
  await expect.poll(() => said.join("\n")).toMatch(/has no scene "nowhere"; it has descent, crossing/);

  await page.evaluate('document.querySelector("lumbit-scene").remove()');
  expect(await page.evaluate("document.adoptedStyleSheets.length")).toBe(0);
  expect(
    await page.$eval("h1", (element) =>
      JSON.stringify([element.getBoundingClientRect(), getComputedStyle(element).font]),
    ),
  ).not.toBe("");
  await page.evaluate("scrollTo(0, 0)");
  expect(
    await page.$eval("h1", (element) =>
      JSON.stringify([element.getBoundingClientRect(), getComputedStyle(element).font]),
    ),
  ).toBe(before);
  await page.close();
});

test("parts, copies and what pages share are written out; a shared file that is not there is said", async () => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const said: string[] = [];
  page.on("console", (message) => said.push(message.text()));
  await page.goto(origin);
  const show = (src: string) =>
    page.evaluate(
      `document.querySelector("lumbit-scene").removeAttribute("scene"); document.querySelector("lumbit-scene").setAttribute("src", "${src}")`,
    );
  await show("shared/low.json");
  await page.locator("lumbit-scene[data-lumbit-scene=shore]").waitFor();
  expect(await page.locator("lumbit-scene [data-lumbit-layer]").allTextContents()).toEqual([
    "Lamp",
    "Lamp",
    "Lamp",
  ]);
  await show("shared/lost.json");
  await expect.poll(() => said.join("\n")).toContain("none.json is not there (404)");
  // Nothing is compiled, which a strict policy would refuse.
  expect(said.join("\n")).not.toContain("Content Security Policy");
  await page.close();
});
