import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { afterAll, beforeAll } from "vitest";
import { type Chromium, openChromium } from "./chromium.ts";
import { root } from "./command.ts";

/**
 * Gives what opens markup in a page of its own, 800 px high, with the library beside it, for as long as the tests of a
 * file run.
 */
export function markupPages(): (html: string, width?: number) => Promise<Page> {
  let browser: Chromium;
  let server: Server;
  let body = "";
  beforeAll(async () => {
    server = createServer((request, response) => {
      const script = request.url?.startsWith("/dist/");
      response.writeHead(200, { "content-type": script ? "text/javascript" : "text/html; charset=utf-8" });
      response.end(script ? readFileSync(join(root, "packages/lumbit", String(request.url))) : body);
    });
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    browser = await openChromium();
  });
  afterAll(async () => {
    await browser?.close();
    server?.close();
  });
  return async (html, width = 1000) => {
    body = `<!doctype html>${html}`;
    const page = await browser.newPage({ viewport: { width, height: 800 } });
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page.evaluate('import("/dist/lumbit.js").then((lumbit) => void Object.assign(window, lumbit))');
    return page;
  };
}

/** How scenes of `markup` are laid out: high gaps around them, and what is placed in them. */
export const markupStyle =
  "<style>body { margin: 0 } .gap { height: 1300px } section { position: relative; height: 620px } i { position: absolute; left: 300px; top: 200px; width: 90px; height: 60px }</style>";

/** A scene of one layer between two others, so that all of its passage can be reached. */
export const markup = (scene: string, layer: string) =>
  `<div class="gap"></div><section data-lumbit-scene ${scene}><i ${layer}></i></section><div class="gap"></div>`;

/** How far a layer stands from where its scene has it, and its size. */
export const offset = (page: Page) =>
  page.evaluate(() => {
    const [scene, layer] = ["section", "i"].map((name) =>
      document.querySelector(name)?.getBoundingClientRect(),
    );
    if (!scene || !layer) throw new Error("the scene is missing");
    return {
      x: layer.left - scene.left - 300,
      y: layer.top - scene.top - 200,
      width: layer.width,
      top: scene.top,
    };
  });
