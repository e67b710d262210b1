import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { unzipSync, zipSync } from "fflate";
import { defaultViewports, viewportName } from "lumbit/checks";
import type { Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { type Chromium, openChromium } from "../../../test/chromium.ts";
import { root, temporaryFolder } from "../../../test/command.ts";
import { faultPages } from "../../../test/fault-pages.ts";
import { recordedFilm } from "../../../test/film.ts";
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

/** Puts files into the scene that is shown, as from the menu. */
async function put(...files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Add a layer" }).click();
  await page.getByRole("menuitem", { name: /^Pictures/ }).click();
  await (await chooser).setFiles(files);
}
/** What of a layer is on the large stage: how large its picture is in the file, and whether its film can be read. */
const shown = (layer: string) =>
  stages()[0]?.evaluate(async (layer) => {
    const element = document.querySelector<HTMLElement>(`[data-lumbit-layer="${layer}"]`);
    if (element instanceof HTMLImageElement) return element.naturalWidth;
    if (!(element instanceof HTMLVideoElement)) return element?.tagName;
    element.load();
    await element.play().catch(() => {});
    return `film of ${element.videoWidth}`;
  }, layer);
const takenAway = async () => {
  await saved();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Take away" }).click();
  const zip = join(temporaryFolder(), "page.zip");
  await (await download).saveAs(zip);
  return zip;
};

test("pictures of one name are both kept, whatever its letters", async () => {
  await page.getByRole("button", { name: "An empty page" }).click();
  await stagesShow({ stages, page });
  const shot = async (width: number) => ({
    ...{ name: "SHOT.PNG", mimeType: "image/png" },
    buffer: await sharp({ create: { width, height: 30, channels: 3, background: "#0a6" } })
      .png()
      .toBuffer(),
  });
  await put(await shot(40));
  await card("shot").waitFor();
  await put(await shot(60));
  await card("shot-2").waitFor();
  await poll(async () => [await shown("shot"), await shown("shot-2")]).toEqual([40, 60]);
  const paths = Object.keys(unzipSync(readFileSync(await takenAway()))).filter((path) => /png$/i.test(path));
  expect(paths).toHaveLength(2);
});

test("films come along in a zip, on the clipboard and into another window", async () => {
  await page.getByRole("button", { name: "An empty page" }).click();
  await stagesShow({ stages, page });
  const recorder = await browser.newPage();
  const film = await recordedFilm(recorder, 64, 40);
  await recorder.close();
  await put({ name: "waves.webm", mimeType: "video/webm", buffer: film });
  await card("waves").waitFor();
  await poll(() => shown("waves")).toBe("film of 64");
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await card("waves").click();
  await page.keyboard.press("ControlOrMeta+c");
  await poll(() => page.evaluate("navigator.clipboard.readText()")).toContain("video/webm");
  const zip = await takenAway();
  expect(Object.keys(unzipSync(readFileSync(zip))).filter((path) => path.endsWith(".webm"))).toHaveLength(1);
  page = await page.context().newPage();
  await page.goto(served.origin);
  await openZip(zip);
  await stagesShow({ stages, page });
  await poll(() => shown("waves")).toBe("film of 64");
  page = await page.context().newPage();
  await page.goto(served.origin);
  await page.getByRole("button", { name: "An empty page" }).click();
  await stagesShow({ stages, page });
  await page
    .getByRole("group", { name: /^Layers on the/ })
    .first()
    .focus();
  await page.keyboard.press("ControlOrMeta+v");
  await card("waves").waitFor();
  await poll(() => shown("waves")).toBe("film of 64");
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
