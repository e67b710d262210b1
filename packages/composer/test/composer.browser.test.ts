import { existsSync, rmSync, writeFileSync } from "node:fs";
import type { Frame } from "playwright-core";
import { expect, test } from "vitest";
import { accessibilityFaults } from "../../../test/chromium.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** The composer with the demo, driven as a person would, by roles and names. */
const composer = composed();
const { stages, card, saved } = composer;
const depthOnDisk = (name: string) => composer.layer(name)?.depth;
const speedOn = (frame: Frame, name: string) =>
  frame.evaluate(
    (name) =>
      getComputedStyle(document.querySelector(`[data-lumbit-layer="${name}"]`) as Element).getPropertyValue(
        "--lumbit-speed",
      ),
    name,
  );
const middleOf = async (name: string) => {
  const box = await card(name).boundingBox();
  if (!box) throw new Error(`${name} has no card`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

test("dragging a card changes its depth on every stage at once, then in the file, and undo takes it back", async () => {
  const before = composer.text();
  const from = await middleOf("mid-kelp");
  await composer.page.mouse.move(from.x, from.y);
  await composer.page.mouse.down();
  for (let step = 1; step <= 10; step++) await composer.page.mouse.move(from.x - 18 * step, from.y + step);
  // While the hand is on it both screens have followed, and nothing is written.
  const speeds = () => Promise.all(stages().map((frame) => speedOn(frame, "mid-kelp")));
  await poll(async () => new Set(await speeds()).size).toBe(1);
  await poll(async () => Number((await speeds())[0])).toBeGreaterThan(1);
  expect(composer.text()).toBe(before);
  await composer.page.mouse.up();
  await poll(() => Number(depthOnDisk("mid-kelp"))).toBeLessThan(0);
  await poll(async () => Number((await speeds())[0])).toBeCloseTo(
    1 / (1 + Number(depthOnDisk("mid-kelp"))),
    4,
  );
  // One line of the file is another one.
  const lines = composer.text().split("\n");
  expect(lines.filter((line, index) => line !== before.split("\n")[index])).toHaveLength(1);
  await composer.page.getByRole("button", { name: "Undo mid-kelp: depth" }).click();
  await poll(() => composer.text()).toBe(before);
  await poll(async () => Number((await speeds())[0])).toBeCloseTo(1 / 1.45, 4);
  await composer.page.getByRole("button", { name: "Redo mid-kelp: depth" }).click();
  await poll(() => composer.text()).toBe(lines.join("\n"));
});

test("undo goes on after the window was loaded anew", async () => {
  const before = composer.text();
  await card("snow").click();
  await composer.page.keyboard.press("ArrowRight");
  await composer.page.keyboard.press("Shift+ArrowRight");
  await poll(() => depthOnDisk("snow")).not.toBe(
    JSON.parse(before).scenes[0].layers.find(({ name }: { name: string }) => name === "snow").depth,
  );
  await saved();
  await composer.page.reload();
  await stagesShow(composer);
  await composer.page.keyboard.press("Control+z");
  await composer.page.keyboard.press("Control+z");
  await poll(() => composer.text()).toBe(before);
});

test("everything can be done from the keyboard, and a depth can be typed", async () => {
  await composer.page.getByRole("listbox", { name: /^Layers of descent/ }).focus();
  await composer.page.keyboard.press("ArrowDown");
  const heading = composer.page.getByRole("complementary", { name: "Caption" }).getByRole("heading");
  await poll(() => heading.textContent()).not.toBe("descent");
  const name = String(await heading.textContent());
  const depth = depthOnDisk(name);
  await composer.page.keyboard.press("ArrowRight");
  await poll(() => depthOnDisk(name)).not.toBe(depth);
  await card("title").click();
  await composer.page.getByRole("textbox", { name: "depth" }).fill("4");
  await composer.page.keyboard.press("Enter");
  await poll(() => depthOnDisk("title")).toBe(4);
});

test("stages scroll together by the share of the scene's passage", async () => {
  const [laptop, telephone] = stages() as [Frame, Frame];
  const share = (frame: Frame, scene: string) =>
    frame.evaluate((name) => {
      const { top, height } = (
        document.querySelector(`[data-lumbit-scene="${name}"]`) as Element
      ).getBoundingClientRect();
      return (innerHeight - top) / (innerHeight + height);
    }, scene);
  await composer.page.getByRole("option", { name: "tides" }).click();
  for (const frame of stages()) await poll(() => share(frame, "tides")).toBeCloseTo(0.5, 1);
  await laptop.evaluate("scrollBy({ top: 200, behavior: 'instant' })");
  const at = await share(laptop, "tides");
  await poll(() => share(telephone, "tides")).toBeCloseTo(at, 1);
});

test("play scrolls all stages through the scene until it is stopped", async () => {
  const scrolls = () => Promise.all(stages().map((frame) => frame.evaluate("scrollY")));
  const before = await scrolls();
  await composer.page.getByRole("button", { name: "Play" }).click();
  await poll(async () => (await scrolls()).every((at, index) => at !== before[index])).toBe(true);
  await composer.page.getByRole("button", { name: "Stop" }).click();
  // What is under way to a stage still comes there.
  await composer.atRest();
});

test("what another program writes is taken over, and can be taken back", async () => {
  const before = composer.text();
  writeFileSync(composer.file, before.replace('"depth": 0.45', '"depth": 2.5'));
  for (const frame of stages())
    await poll(() => speedOn(frame, "mid-kelp")).toBe(String(Number((1 / 3.5).toFixed(8))));
  await composer.page.getByRole("button", { name: "Undo changed by another program" }).click();
  await poll(() => composer.text()).toBe(before);
});

test("a broken file says where, and leaves the last good page on the stages", async () => {
  writeFileSync(composer.file, composer.text().replace('"depth": 0.45', '"depth": "far"'));
  await poll(() => composer.page.getByRole("alert").textContent()).toMatch(/page\.json:\d+:\d+ .*depth/);
  for (const frame of stages()) expect(await frame.locator('[data-lumbit-layer="mid-kelp"]').count()).toBe(1);
  // What is broken is not written over.
  const broken = composer.text();
  await card("snow").click();
  await composer.page.keyboard.press("ArrowRight");
  await poll(() => composer.page.getByRole("status").textContent()).toContain("not saved");
  expect(composer.text()).toBe(broken);
});

test("two windows on one file show the same", async () => {
  const other = await composer.page.context().newPage();
  await other.goto(composer.url);
  const same = other.getByRole("option", { name: /^mid-kelp/ });
  await same.waitFor();
  await card("mid-kelp").click();
  await composer.page.keyboard.press("Shift+ArrowRight");
  await poll(() => depthOnDisk("mid-kelp")).not.toBe(0.45);
  await poll(() => same.getAttribute("aria-label")).toBe(await card("mid-kelp").getAttribute("aria-label"));
  await other.close();
});

test("a file that is gone is said, and what was done is written when it is back", async () => {
  const before = composer.text();
  rmSync(composer.file);
  await card("snow").click();
  await composer.page.keyboard.press("ArrowRight");
  // Keys that are pressed again and again are one step, which is made when they rest.
  await composer.page.getByRole("button", { name: "Undo snow: depth" }).waitFor();
  await poll(() => composer.page.getByRole("status").textContent()).toContain("not there any more");
  writeFileSync(composer.file, before);
  await poll(() => composer.text()).not.toBe(before);
  await saved();
});

test("the page under work cannot reach the composer, and nobody without the token or from elsewhere the page", async () => {
  const { origin, hash } = new URL(composer.url);
  const token = hash.slice(1);
  const status = async (path: string, headers: Record<string, string> = {}) =>
    (await fetch(`${origin}/${path}`, { headers })).status;
  expect(await status("api/page")).toBe(401);
  expect(await status("api/page", { authorization: "Bearer 00" })).toBe(401);
  expect(await status("api/page", { authorization: `Bearer ${token}` })).toBe(200);
  expect(await status("api/page", { authorization: `Bearer ${token}`, origin: "http://example.test" })).toBe(
    403,
  );
  for (const path of ["api/files?name=x.png", "api/begin"])
    expect((await fetch(`${origin}/${path}`, { method: "POST", body: "x" })).status).toBe(401);
  expect(await status(`files/${token}/art/snow.webp`)).toBe(200);
  expect(await status(`files/${token}/package.json`)).toBe(404);
  expect(await status(`files/${token}/..%2F..%2Fpackage.json`)).toBe(404);
  expect(await status("files/00/art/snow.webp")).toBe(404);
  const [stage] = stages();
  expect(
    await stage?.evaluate("(() => { try { return parent.document.title } catch { return 'no' } })()"),
  ).toBe("no");
  expect(
    await stage?.evaluate("(() => { try { return String(localStorage) } catch { return 'no' } })()"),
  ).toBe("no");
  expect(existsSync(composer.file)).toBe(true);
});

test.each(["light", "dark"] as const)("axe finds nothing, %s", async (colorScheme) => {
  await composer.page.emulateMedia({ colorScheme });
  await card("title").click();
  expect(await accessibilityFaults(composer.page)).toEqual([]);
});
