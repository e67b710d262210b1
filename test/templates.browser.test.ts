import { existsSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { createRequire } from "node:module";
import type { AddressInfo } from "node:net";
import { dirname, extname, join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { root } from "./command.ts";
import { casesIn, type Engine, engineNames, engineOf } from "./engines.ts";

/** Ordinary page templates, with depth for their heroes, pictures and headings: nothing else of them may move. */
const templates: Record<string, readonly [selector: string, attributes: Record<string, string>][]> = {
  "startbootstrap-creative": [
    ["header.masthead", { scene: "", "background-depth": "0.6" }],
    ["header.masthead h1", { depth: "0.3" }],
    ["#about", { scene: "" }],
    ["#about h2", { depth: "0.2" }],
    ["#portfolio", { scene: "" }],
    ["#portfolio img", { pane: "", depth: "0.5" }],
    ["#contact", { scene: "" }],
    ["#contact h2", { speed: "0.8" }],
  ],
  "startbootstrap-resume": [
    ["section.resume-section", { scene: "" }],
    ["section.resume-section h1, section.resume-section h2", { depth: "0.25" }],
  ],
  "startbootstrap-simple-sidebar": [
    ["#page-content-wrapper .container-fluid:last-child", { scene: "" }],
    ["#page-content-wrapper h1", { depth: "0.4" }],
  ],
};

const types: Record<string, string> = {
  ...{ ".html": "text/html", ".css": "text/css", ".js": "text/javascript", ".jpg": "image/jpeg" },
};
const require = createRequire(import.meta.url);
/** A template's page without what it would fetch from elsewhere; with `depth` its attributes, and what brings them to life. */
function pageOf(name: string, depth: boolean): string {
  const html = readFileSync(join(dirname(require.resolve(`${name}/package.json`)), "dist/index.html"), "utf8")
    .replaceAll(/<(?:script|link)[^>]*https?:\/\/[^>]*>(?:<\/script>)?/g, "")
    .replaceAll(/<script[^>]*src="js\/scripts\.js"[^>]*><\/script>/g, "");
  const attributes = JSON.stringify(depth ? templates[name] : []);
  return html.replace(
    "</body>",
    `<script>window.shifted = 0; window.said = []; console.warn = (text) => said.push(text); window.onerror = (text) => said.push(text);
try { new PerformanceObserver((list) => { for (const { value, hadRecentInput } of list.getEntries()) if (!hadRecentInput) shifted += value; }).observe({ type: "layout-shift", buffered: true }); } catch {}
for (const element of document.body.querySelectorAll(":not(script)")) element.ofPage = true;
for (const [selector, own] of ${attributes}) for (const element of document.querySelectorAll(selector))
  for (const [name, value] of Object.entries(own)) element.setAttribute("data-lumbit-" + name, value);</script>
<script type="module">${depth ? 'import { mount } from "/lumbit.js"; window.live = mount(document.body);' : ""} window.ready = true;</script></body>`,
  );
}

let server: Server;
let origin: string;
beforeAll(async () => {
  server = createServer((request, response) => {
    const [, name = "", kind = "", ...path] = String(request.url).split("?")[0]?.split("/") ?? [];
    const isOurs = name.endsWith(".js");
    const file = isOurs
      ? join(root, "packages/lumbit/dist", name)
      : name in templates && join(dirname(require.resolve(`${name}/package.json`)), "dist", ...path);
    if (!file || !existsSync(file)) return void response.writeHead(404).end();
    response.setHeader("content-type", types[extname(file) || ".html"] ?? "application/octet-stream");
    response.end(path.join("") === "" && !isOurs ? pageOf(name, kind === "depth") : readFileSync(file));
  });
  await new Promise<void>((listening) => server.listen(0, "127.0.0.1", listening));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => server?.close());

interface Seen {
  ready: boolean;
  /** Of every element that has no depth and lies in none that has. */
  boxes: string[];
  /** How far the page can be scrolled sideways. */
  aside: number;
  shifted: number;
  said: string[];
  /** Where links inside the page bring what they lead to, in px from the top of the screen. */
  landed: [href: string, top: number | "nowhere"][];
  /** How far each element with a depth slides against the page while that is scrolled by 100 px. */
  slides: number[];
}

const look = `
  for (let n = 0; n < 200 && !window.ready; n++) await new Promise((done) => setTimeout(done, 20));
  await Promise.all([...document.images].map((image) => image.decode().catch(() => {})));
  await new Promise((done) => setTimeout(done, 300));
  const boxes = [...document.body.querySelectorAll("*")].filter((element) => element.ofPage && !element.closest("[data-lumbit-depth], [data-lumbit-speed]")).map((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    return [element.localName, element.id, ...[left, top + scrollY, width, height].map((side) => Math.round(side * 100) / 100)].join(" ");
  });
  const landed = [];
  document.documentElement.style.scrollBehavior = "auto";
  for (const link of document.querySelectorAll("nav a[href^='#']:not([href='#']):not([href='#!'])")) {
    scrollTo({ top: 0, behavior: "instant" });
    link.click();
    await new Promise((done) => setTimeout(done, 60));
    const target = document.querySelector(link.getAttribute("href"));
    landed.push([link.getAttribute("href"), target ? target.getBoundingClientRect().top : "nowhere"]);
  }
  scrollTo({ top: 0, behavior: "instant" });
  const deep = [...document.querySelectorAll("[data-lumbit-depth]:not([data-lumbit-depth='']), [data-lumbit-speed]")];
  const slides = [];
  for (const element of deep.slice(0, 4)) {
    element.scrollIntoView({ block: "center", behavior: "instant" });
    const at = async () => {
      for (let n = 0; n < 3; n++) await new Promise(requestAnimationFrame);
      await new Promise((done) => setTimeout(done, 150));
      return element.getBoundingClientRect().top + scrollY;
    };
    const before = await at();
    const from = scrollY;
    scrollBy({ top: from > 200 ? -100 : 100, behavior: "instant" });
    const after = await at();
    if (scrollY !== from) slides.push((100 * (after - before)) / (scrollY - from));
  }
  scrollTo({ top: 0, behavior: "instant" });
  return JSON.stringify({ ready, boxes, landed, slides, said, shifted, aside: document.documentElement.scrollWidth - innerWidth });`;

/** Marks in the page without depth what moves in the one with it, so that the same elements are compared. */
const markMoving = (name: string) =>
  `for (const [selector, own] of ${JSON.stringify(templates[name])}) if ("depth" in own || "speed" in own) for (const element of document.querySelectorAll(selector)) element.setAttribute("data-lumbit-depth", "");`;

async function seen(engine: Engine, name: string, width: number, depth: boolean): Promise<Seen> {
  await engine.open(`${origin}/${name}/${depth ? "depth" : "plain"}/`);
  await engine.resize(width, 800);
  return JSON.parse(await engine.run<string>(`${depth ? "" : markMoving(name)}${look}`));
}

describe.each(engineNames)("%s", (engineName) => {
  test.each(casesIn(engineName, Object.keys(templates)))(
    "%s keeps all boxes but those with depth, and its links land",
    async (name) => {
      const engine = await engineOf(engineName);
      for (const width of [390, 768, 1280]) {
        const plain = await seen(engine, name, width, false);
        const depth = await seen(engine, name, width, true);
        expect([depth.ready, depth.said], `${width}`).toEqual([true, []]);
        expect(depth.boxes.length).toBeGreaterThan(20);
        expect(depth.boxes, `${width}`).toEqual(plain.boxes);
        // Within 1.5 px: Firefox brings the same box to one whole px of scroll or to the next.
        const near = (top: number | "nowhere") => (top === "nowhere" ? top : expect.closeTo(top, -0.5));
        expect(depth.landed, `${width}`).toEqual(plain.landed.map(([href, top]) => [href, near(top)]));
        for (const slide of depth.slides) expect(slide, `${width}`).toBeGreaterThan(5);
        if (name !== "startbootstrap-simple-sidebar") expect(depth.slides.length).toBeGreaterThan(2);
        expect(depth.aside, `${width}`).toBe(plain.aside);
        expect(depth.shifted, `${width}`).toBeLessThanOrEqual(plain.shifted + 0.001);
      }
    },
  );
});
