import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { zipSync } from "fflate";
import { defaultViewports, viewportName } from "lumbit/checks";
import type { Page } from "playwright-core";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";
import { faultPages } from "../../../test/fault-pages.ts";
import { serveFolder } from "../../../test/serve.ts";
import { poll, stagesShow } from "./compose.ts";

/** The same app from any static host: pages are kept in the browser. */
const app = join(root, "packages/composer/dist");
const policy = "default-src 'self' 'unsafe-inline' blob:";
let served: Awaited<ReturnType<typeof serveFolder>>;
let browser: Chromium;
let page: Page;

beforeAll(async () => {
  served = await serveFolder(app, policy);
  browser = await openChromium();
});
afterAll(async () => {
  await browser?.close();
  served?.close();
});
beforeEach(async () => {
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(served.origin);
});

const stages = () => page.frames().filter((frame) => frame.url().endsWith("stage.html"));
const card = (name: string) => page.getByRole("option", { name: new RegExp(`^${name}(?![\\w-])`) });
const openZip = async (file: string) => {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: /Open a zip/ }).click();
  await (await chooser).setFiles(file);
};
const saved = () => poll(() => page.getByRole("status").textContent()).toBe("saved");
const depthInWords = () => card("snow").getAttribute("aria-label");

test("the demo is there, what is done is kept in the browser, and pictures show on stages that reach nothing", async () => {
  await page.getByRole("button", { name: /copy of the demo/ }).click();
  await stagesShow({ stages, page });
  for (const frame of stages())
    await poll(() =>
      frame.evaluate(
        () => (document.querySelector('[data-lumbit-layer="far-reef"]') as HTMLImageElement).naturalWidth,
      ),
    ).toBeGreaterThan(0);
  await card("snow").click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Undo snow: depth" }).waitFor();
  await saved();
  const depth = await depthInWords();
  await page.reload();
  await page.getByRole("button", { name: "Go on with tidehouse" }).click();
  await stagesShow({ stages, page });
  expect(await depthInWords()).toBe(depth);
  await page.getByRole("button", { name: "Undo snow: depth" }).click();
  await poll(depthInWords).not.toBe(depth);
  await saved();
});

test("a page is taken away as a zip and opened elsewhere; what is no zip is said", async () => {
  await page.getByRole("button", { name: /copy of the demo/ }).click();
  await stagesShow({ stages, page });
  await card("snow").click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Undo snow: depth" }).waitFor();
  await saved();
  const depth = await depthInWords();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Take away" }).click();
  const zip = join(temporaryFolder(), "tidehouse.zip");
  await (await download).saveAs(zip);
  // Another browser has nothing of it.
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(served.origin);
  expect(await page.getByRole("button", { name: /^Go on/ }).count()).toBe(0);
  await openZip(join(root, "package.json"));
  await poll(() => page.getByRole("alert").textContent()).toContain("no page file");
  await openZip(zip);
  await stagesShow({ stages, page });
  expect(await depthInWords()).toBe(depth);
});

test("of two windows neither writes over the other", async () => {
  await page.getByRole("button", { name: "An empty page" }).click();
  await stagesShow({ stages, page });
  const other = await page.context().newPage();
  await other.goto(served.origin);
  await other.getByRole("button", { name: "Go on with page" }).click();
  await other.getByRole("complementary").getByLabel("Name").fill("pier");
  await other.keyboard.press("Enter");
  await poll(() => page.getByRole("option", { name: "pier" }).count()).toBe(1);
});

const faults = faultPages();
/** A page with a fault, with the files of all of them. */
const zipOf = (name: string) => {
  const files = readdirSync(faults.folder, { withFileTypes: true }).filter(
    (entry) => entry.isFile() && !entry.name.endsWith(".json"),
  );
  const zip = join(temporaryFolder(), "page.zip");
  const read = (file: string) => readFileSync(join(faults.folder, file));
  const entries = files.map(({ name: file }) => [file, read(file)]);
  writeFileSync(
    zip,
    zipSync({ "page.json": read(`${name}.json`), ...Object.fromEntries(entries) }, { level: 0 }),
  );
  return zip;
};
const panel = () => page.getByRole("complementary", { name: "Findings" });
const found = async () =>
  (await panel().locator("li p:nth-child(2)").allTextContents()).map((text) => text.trim()).sort();

// Texts, contents, pixels of pictures, their detail and their bytes: each is seen another way here than in a folder.
test.each(["contrast-content", "overflow-row", "edge", "subject", "sharpness", "weight"])(
  "a page in the browser is judged as the command judges it: %s",
  async (name) => {
    const desk = [
      { width: 1280, height: 800 },
      { width: 390, height: 844 },
    ];
    const sizes = new Set([...desk, ...defaultViewports].map(viewportName));
    const { findings } = await faults.check(name, ...[...sizes].flatMap((size) => ["--viewport", size]));
    const wanted = findings.map(({ layer, scene, measured }) => `${layer ?? scene}: ${measured}`).sort();
    expect(wanted).not.toEqual([]);
    await openZip(zipOf(name));
    await page.locator("figcaption .count").first().click();
    await expect.poll(found, { timeout: 50_000 }).toEqual(wanted);
  },
);

test("what mends a finding in the browser leaves nothing to be found", async () => {
  await openZip(zipOf("edge"));
  await page.locator("figcaption .count").first().click();
  await panel().getByRole("button", { name: "Mend it" }).click({ timeout: 50_000 });
  await saved();
  await expect.poll(() => panel().textContent(), { timeout: 50_000 }).toContain("Nothing is wrong");
});
