import { cpSync, existsSync, readFileSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { build, createServer, type InlineConfig } from "vite";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";
import { serveFolder } from "../../../test/serve.ts";

const poll = <T>(value: () => T) => expect.poll(value, { timeout: 15_000 });

/** A site of Vite's with a scene of a page file in a page of its own, and the whole page beside it. */
let folder: string;
let browser: Chromium;
beforeAll(async () => {
  browser = await openChromium();
});
afterAll(() => browser?.close());
beforeEach(() => {
  folder = temporaryFolder();
  cpSync(join(root, "packages/cli/starter"), join(folder, "low-water"), { recursive: true });
  symlinkSync(join(root, "node_modules"), join(folder, "node_modules"));
  writeFileSync(join(folder, "package.json"), '{ "type": "module" }');
  const html =
    '<html lang="en"><head><title>Elsewhere</title></head><body><main id="here"></main><script type="module" src="./main.js"></script></body></html>';
  writeFileSync(join(folder, "index.html"), `<!doctype html>${html}`);
  // As the document says it.
  const [config, main] = [
    ...readFileSync(join(root, "docs/vite.md"), "utf8").matchAll(/```js\n([\s\S]*?)```/g),
  ];
  writeFileSync(join(folder, "vite.config.js"), String(config?.[1]));
  const unknown = 'try { scene("quay"); } catch (error) { document.body.dataset.said = error.message; }';
  writeFileSync(join(folder, "main.js"), `${main?.[1]}\n${unknown}`);
});

const config = (): InlineConfig => ({
  root: folder,
  logLevel: "silent",
  server: { host: "127.0.0.1", port: 0 },
});
const edit = (change: (text: string) => string) => {
  const file = join(folder, "low-water/page.json");
  writeFileSync(file, change(readFileSync(file, "utf8")));
};

test("a scene of a page file is data with the addresses and sizes that its pictures have in the site", async () => {
  await build(config());
  const { origin, close } = await serveFolder(join(folder, "dist"));
  const page = await browser.newPage();
  const missed: string[] = [];
  page.on("response", (response) => response.status() >= 400 && missed.push(response.url()));
  await page.goto(origin, { waitUntil: "networkidle" });
  const pictures = await page.$$eval("[data-lumbit-scene=low-water] img", (all) =>
    all.map((image) => {
      const { src, naturalWidth, width, height } = image as HTMLImageElement;
      return { src, naturalWidth, sized: image.hasAttribute("width"), width, height };
    }),
  );
  expect(pictures.length).toBeGreaterThan(2);
  for (const { src, naturalWidth, sized } of pictures) {
    expect(src).toMatch(/\/assets\/[\w-]+-[\w-]{8}\.\w+$/);
    expect(naturalWidth).toBeGreaterThan(0);
    expect(sized).toBe(true);
  }
  expect(await page.title()).toBe(
    JSON.parse(readFileSync(join(folder, "low-water/page.json"), "utf8")).title,
  );
  expect(await page.getAttribute("body", "data-said")).toMatch(
    /^there is no scene "quay"; the page has low-water/,
  );

  await page.goto(`${origin}/mill/index.html`, { waitUntil: "networkidle" });
  expect(await page.$$eval("main > [data-lumbit-scene]", (scenes) => scenes.length)).toBeGreaterThan(1);
  expect(missed).toEqual([]);
  await page.close();
  close();
});

test("a page file with faults ends the build with its lines, and writes nothing", async () => {
  edit((text) => text.replace('"depth":', '"dept":'));
  await expect(build(config())).rejects.toThrow(/page\.json:\d+:\d+.*"dept"/s);
  expect(existsSync(join(folder, "dist"))).toBe(false);
});

test("while somebody develops, what changes in a page file is seen in both pages", async () => {
  const server = await createServer(config());
  await server.listen();
  const [url = ""] = server.resolvedUrls?.local ?? [];
  const here = await browser.newPage();
  await here.goto(url);
  await here.waitForSelector("[data-lumbit-scene=low-water]");
  const whole = await browser.newPage();
  // Without the last slash it is brought to where its files are.
  await whole.goto(`${url}mill`, { waitUntil: "load" });
  await whole.waitForSelector("main > [data-lumbit-scene]");
  edit((text) => text.replace(/"title": "[^"]*"/, '"title": "Spring tide"'));
  await poll(() => here.title()).toBe("Spring tide");
  await poll(() => whole.title()).toBe("Spring tide");
  await whole.close();
  edit((text) => text.replace('"depth":', '"dept":'));
  await poll(() => here.locator("vite-error-overlay").count()).toBe(1);
  expect(await here.locator("vite-error-overlay .message-body").innerText()).toMatch(
    /page\.json:\d+:\d+.*"dept"/s,
  );
  await here.close();
  await server.close();
});
