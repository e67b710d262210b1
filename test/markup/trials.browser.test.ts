import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { root } from "../command.ts";
import { casesIn, engineNames, engineOf } from "../engines.ts";
import { type Trial, trials } from "./pages.ts";

/**
 * Every trial in every engine with both drivers: boxes are right, things move, and nothing stands still in silence. Once with
 * all of the library, and once with what pages of attributes import, which loads what they need as they need it.
 */
const entries = ["lumbit", "markup"];

const pageOf = (
  { style = "", body, development, mount = "window.m = mount(document.body, { driver });" }: Trial,
  driver: string,
  entry: string,
) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><link rel="icon" href="data:,"><title>t</title>
<style>body{margin:0;font:16px/1.5 sans-serif}.gap{height:1000px}img{max-width:100%;height:auto}figure{margin:0}${style}</style></head><body>${body}
<script>window.said = []; console.warn = (text) => said.push(text); window.onerror = (text) => said.push(text);
window.settled = async () => { for (let n = 0; n < 3; n++) await new Promise(requestAnimationFrame); await new Promise((done) => setTimeout(done, 20)); };
// Nothing more has been loaded for a while.
window.loaded = async () => { for (let before = -1; before !== performance.getEntriesByType("resource").length; ) { before = performance.getEntriesByType("resource").length; await new Promise((done) => setTimeout(done, 150)); } await settled(); };</script>
<script type="module">import { mount } from "./${development ? "lumbit.development" : entry}.js"; const driver = "${driver}"; ${mount} window.mounted = true;</script></body></html>`;

let server: Server;
let origin: string;
beforeAll(async () => {
  const photo = await sharp({ create: { width: 1680, height: 1050, channels: 3, background: "#2a7f8c" } })
    .jpeg()
    .toBuffer();
  const files = new Map<string, [type: string, body: () => Buffer | string]>([
    ["/photo.jpg", ["image/jpeg", () => photo]],
    [
      "/hills.svg",
      ["image/svg+xml", () => '<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="400"/>'],
    ],
  ]);
  server = createServer((request, response) => {
    const { pathname, searchParams } = new URL(String(request.url), "http://localhost");
    const trial = trials[Number(pathname.slice(1))];
    const [type, body] =
      files.get(pathname) ??
      (pathname.endsWith(".js")
        ? (["text/javascript", () => readFileSync(join(root, "packages/lumbit/dist", pathname))] as const)
        : ([
            "text/html",
            () =>
              trial
                ? pageOf(trial, String(searchParams.get("driver")), String(searchParams.get("entry")))
                : "",
          ] as const));
    response.setHeader("content-type", type);
    if (pathname.endsWith(".js")) response.setHeader("cache-control", "max-age=3600, immutable");
    setTimeout(() => response.end(body()), searchParams.has("slow") ? 400 : 0);
  });
  await new Promise<void>((listening) => server.listen(0, "127.0.0.1", listening));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => server?.close());

const modes = entries.flatMap((entry) => ["native", "scripted"].map((driver) => ({ driver, entry })));
const rows = modes.flatMap(({ driver, entry }) =>
  trials.flatMap((trial, index) =>
    entry === "markup" && /scene:/.test(trial.mount ?? "")
      ? []
      : [{ title: `${trial.name}: ${driver}, with lumbit's ${entry}`, driver, entry, trial, index }],
  ),
);

describe.each(engineNames)("%s", (name) => {
  test.each(casesIn(name, rows))("$title", async ({ driver, entry, trial, index }) => {
    const engine = await engineOf(name);
    await engine.open(`${origin}/${index}?driver=${driver}&entry=${entry}`);
    await engine.resize(1280, 800);
    await engine.run(`for (let n = 0; n < 100 && !window.mounted && !said.length; n++) await new Promise((done) => setTimeout(done, 20));
      for (const image of document.images) if (image.src) await image.decode().catch(() => {});
      await settled(); ${entry === "markup" ? "await loaded();" : ""} ${trial.after ?? ""}; await settled(); await settled();`);
    const instead = await engine.run<string[]>("return said;");
    if (instead.some((text) => trial.orSaid?.test(text))) return;
    for (const { scroll, value, is } of trial.wanted) {
      const found = await engine.run(
        `${scroll < 0 ? "" : `scrollTo({ top: ${scroll}, behavior: "instant" }); await settled();`} return await ${value};`,
      );
      expect(found, value).toEqual(is);
    }
    const said = await engine.run<string[]>("return said;");
    expect(trial.said ? said.filter((text) => trial.said?.test(text)).length > 0 : said).toEqual(
      trial.said ? true : [],
    );
  });
});
