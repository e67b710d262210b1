import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, symlinkSync } from "node:fs";
import { join } from "node:path";
import { build } from "vite";
import { afterAll, beforeAll, expect, test } from "vitest";
import { type Chromium, openChromium, scrollPage } from "./chromium.ts";
import { root, temporaryFolder } from "./command.ts";
import { serveFolder } from "./serve.ts";

/** The examples as somebody has them who has installed the library: packed, in a folder of its own, built for readers. */
let browser: Chromium;
const folder = temporaryFolder();
beforeAll(async () => {
  browser = await openChromium();
  const packed = execFileSync("npm", ["pack", "--silent", "--pack-destination", folder], {
    cwd: join(root, "packages/lumbit"),
    encoding: "utf8",
  });
  const modules = join(folder, "node_modules");
  mkdirSync(join(modules, "lumbit"), { recursive: true });
  const archive = join(folder, packed.trim().split("\n").at(-1) ?? "");
  execFileSync("tar", ["xzf", archive, "--strip-components=1", "-C", join(modules, "lumbit")]);
  // The frameworks are there already; the library is nothing of this tree.
  for (const name of readdirSync(join(root, "node_modules")))
    if (name !== "lumbit" && !name.startsWith("."))
      symlinkSync(join(root, "node_modules", name), join(modules, name));
  cpSync(join(root, "examples/tidehouse/art"), join(folder, "examples/tidehouse/art"), { recursive: true });
}, 60_000);
afterAll(() => browser?.close());

test.each(["react", "vue", "svelte"])("the packed library moves the example of %s", async (name) => {
  const home = join(folder, "examples", name);
  cpSync(join(root, "examples", name), home, {
    recursive: true,
    filter: (path) => !/node_modules|dist$/.test(path),
  });
  await build({ root: home, logLevel: "error", build: { outDir: join(folder, name) } });
  const { origin, close } = await serveFolder(
    join(folder, name),
    "default-src 'self' data:; style-src 'self' 'unsafe-inline'",
  );
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const told: string[] = [];
  page.on("console", (message) => {
    if (["warning", "error"].includes(message.type())) told.push(message.text());
  });
  page.on("pageerror", (error) => void told.push(error.message));
  await page.goto(origin);
  const top = (layer: string) =>
    page.$eval(`[data-lumbit-layer=${layer}]`, (element) => element.getBoundingClientRect().top);
  await page.waitForSelector("[data-lumbit-layer=title]");
  const before = [await top("title"), await top("reef")];
  await scrollPage(page, 100);
  const after = [await top("title"), await top("reef")];
  // Half as fast as the page, and with it.
  expect((before[0] ?? 0) - (after[0] ?? 0)).toBeCloseTo(50, 0);
  expect((before[1] ?? 0) - (after[1] ?? 0)).toBeCloseTo(100, 0);
  expect(told).toEqual([]);
  await page.close();
  close();
});
