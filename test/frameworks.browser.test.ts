import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import type { Page } from "playwright-core";
import { build, createServer } from "vite";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** The same small scene in each framework: from the server, brought to life, changed, taken away and put back. */
let browser: Chromium;
beforeAll(async () => {
  browser = await openChromium();
});
afterAll(() => browser?.close());

const speedOf = (page: Page, layer: string) =>
  page.$eval(`[data-lumbit-layer=${layer}]`, (element) =>
    Number(getComputedStyle(element).getPropertyValue("--lumbit-speed")),
  );

/** What of a page would grow if anything stayed behind. */
async function kept(
  page: Page,
): Promise<{ nodes: number; listeners: number; sheets: number; animations: number }> {
  const session = await page.context().newCDPSession(page);
  await session.send("HeapProfiler.collectGarbage");
  await session.send("Performance.enable");
  const { metrics } = await session.send("Performance.getMetrics");
  const of = (name: string) => metrics.find((metric) => metric.name === name)?.value ?? 0;
  const [sheets, animations] = (await page.evaluate(
    "[document.adoptedStyleSheets.length, document.getAnimations().length]",
  )) as [number, number];
  return { nodes: of("Nodes"), listeners: of("JSEventListeners"), sheets, animations };
}

describe.each([
  ["react", "src/server.tsx"],
  ["vue", "src/server.ts"],
  ["svelte", "src/server.ts"],
])("%s", (name, server) => {
  let origin: string;
  let close = () => {};
  let sent: string;
  beforeAll(async () => {
    const folder = temporaryFolder();
    const home = join(root, "examples", name);
    const common = {
      ...{ root: home, logLevel: "error" as const, mode: "development" },
      define: { "process.env.NODE_ENV": '"development"' },
    };
    await build({ ...common, build: { outDir: join(folder, "site"), emptyOutDir: true, minify: false } });
    await build({
      ...common,
      ssr: { noExternal: true },
      build: {
        ssr: server,
        outDir: join(folder, "server"),
        rolldownOptions: { output: { entryFileNames: "server.mjs" } },
      },
    });
    const { render } = await import(pathToFileURL(join(folder, "server/server.mjs")).href);
    sent = await render();
    const index = join(folder, "site/index.html");
    writeFileSync(
      index,
      readFileSync(index, "utf8").replace("<!--app-->", () => sent),
    );
    ({ origin, close } = await serveFolder(
      join(folder, "site"),
      "default-src 'self' data:; style-src 'self' 'unsafe-inline'",
    ));
  }, 120_000);
  afterAll(() => close());

  test("is sent still, hydrated without a warning and a shift, moves, changes, and leaves nothing behind", async () => {
    expect(sent).toMatch(/data-lumbit-layer="title"[^>]*>(?:<!--.*?-->)*Low water</);
    expect(sent).toContain("<style");
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const said: string[] = [];
    page.on(
      "console",
      (message) => ["warning", "error"].includes(message.type()) && said.push(message.text()),
    );
    page.on("pageerror", (error) => said.push(error.message));
    await page.addInitScript(() => {
      const shifts = { sum: 0 };
      Object.assign(globalThis, { shifts });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) shifts.sum += (entry as unknown as { value: number }).value;
      }).observe({ type: "layout-shift", buffered: true });
    });
    await page.goto(`${origin}/`);
    await page.waitForFunction(
      'document.adoptedStyleSheets.length > 0 && !document.querySelector("section style")',
    );
    await page.waitForLoadState("networkidle");
    expect(await page.evaluate("shifts.sum")).toBe(0);

    const top = () => page.$eval("[data-lumbit-layer=title]", (title) => title.getBoundingClientRect().top);
    await scrollPage(page, 400);
    const before = await top();
    await scrollPage(page, 600);
    expect((await top()) - before).toBeCloseTo(-100, 0);

    await page.$eval("[data-lumbit-layer=kelp]", (kelp) => Object.assign(kelp, { same: true }));
    expect(await speedOf(page, "kelp")).toBeCloseTo(1 / 3, 4);
    await page.evaluate("scrollTo(0, 0)");
    await page.getByRole("button", { name: "Deeper" }).click();
    await expect.poll(() => speedOf(page, "kelp")).toBeCloseTo(1 / 4, 4);
    expect(await page.$eval("[data-lumbit-layer=kelp]", (kelp) => "same" in kelp)).toBe(true);

    const toggle = (times: number) =>
      page.evaluate(async (times) => {
        for (let time = 0; time < times; time++) {
          for (const word of ["Take away", "Put back"]) {
            const button = [...document.querySelectorAll("button")].find(
              ({ textContent }) => textContent?.trim() === word,
            );
            button?.click();
            await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
          }
        }
      }, times);
    await toggle(20);
    const some = await kept(page);
    await toggle(200);
    const many = await kept(page);
    expect(many.sheets).toBe(some.sheets);
    expect(many.animations).toBe(some.animations);
    expect(many.listeners - some.listeners).toBeLessThan(20);
    expect(many.nodes - some.nodes).toBeLessThan(200);
    expect(said).toEqual([]);
    await page.close();
  }, 120_000);
});

describe("while somebody develops", () => {
  test.each([
    ["react", "app.tsx", 'text="Low water"'],
    ["vue", "App.vue", 'text="Low water"'],
    ["svelte", "App.svelte", 'text="Low water"'],
  ])(
    "a change of a %s component changes the scene that is shown, and what is wrong is said",
    async (name, file, words) => {
      let written = (code: string) => code;
      const server = await createServer({
        root: join(root, "examples", name),
        logLevel: "error",
        cacheDir: temporaryFolder(),
        server: { host: "127.0.0.1", port: 0 },
        plugins: [
          {
            name: "typed",
            enforce: "pre",
            transform: (code, id) => (id.endsWith(`/src/${file}`) ? written(code) : undefined),
            // What the plugins of frameworks compare is what the editor has saved.
            handleHotUpdate(context) {
              const read = context.read;
              context.read = async () => written(await read());
            },
          },
        ],
      });
      await server.listen();
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      const said: string[] = [];
      page.on("console", (message) => message.type() === "error" && said.push(message.text()));
      try {
        await page.goto(String(server.resolvedUrls?.local[0]));
        const title = page.locator("[data-lumbit-layer=title]");
        await expect.poll(() => title.textContent(), { timeout: 30_000 }).toBe("Low water");
        await page.getByRole("button", { name: "Deeper" }).click();
        await expect.poll(() => speedOf(page, "kelp")).toBeCloseTo(1 / 4, 4);
        const save = (change: typeof written) => {
          written = change;
          server.watcher.emit("change", join(root, "examples", name, "src", file));
        };
        save((code) => code.replace(words, 'text="Slack water" href="#low-water"'));
        await expect.poll(() => title.textContent(), { timeout: 10_000 }).toBe("Slack water");
        expect(said).toEqual([]);
        save((code) => code.replace(words, 'text="Slack water" blend="wash"'));
        await expect.poll(() => said.join("\n"), { timeout: 10_000 }).toContain("wash");
        expect(await title.textContent()).toBe("Slack water");
      } finally {
        await page.close();
        await server.close();
      }
    },
    90_000,
  );
});
