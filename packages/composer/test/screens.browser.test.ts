import { writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Frame } from "playwright-core";
import { expect, test } from "vitest";
import { accessibilityFaults } from "../../../test/chromium.ts";
import { composed, poll } from "./compose.ts";

const place = { left: "20%", top: "40vh", width: "30%", height: "20vh" };
const shown = { shape: "rectangle", background: "#0a6", place };
/** Something that moves by its depth, and something that only a script lets come in. */
const composer = composed((folder) => {
  const page = {
    ...{ format: "lumbit/1", title: "Mill race", lang: "en" },
    scenes: [
      {
        ...{ name: "race", height: "180vh" },
        layers: [
          { ...shown, name: "wheel", depth: 2 },
          { ...shown, name: "gate", cue: { from: { opacity: 0 } } },
        ],
      },
    ],
  };
  const file = join(folder, "page.json");
  writeFileSync(file, JSON.stringify(page, null, 2));
  return file;
});
const { stages } = composer;
const menu = async (button: string | RegExp, item: string | RegExp) => {
  await composer.page.getByRole("button", { name: button }).click();
  await composer.page.getByRole("menuitem", { name: item }).click();
};
/** The sizes of the screens, the large one first. */
const sizes = () =>
  composer.page
    .locator("iframe")
    .evaluateAll((frames) => frames.map(({ clientWidth, clientHeight }) => [clientWidth, clientHeight]));
const attribute = (stage: Frame | undefined, name: string) =>
  stage?.evaluate((name) => document.querySelector("[data-lumbit-layer='gate']")?.hasAttribute(name), name);
/** How far the wheel is from where its scene would have it. */
const drift = (stage: Frame | undefined) =>
  stage?.evaluate(() => {
    const top = (selector: string) => document.querySelector(selector)?.getBoundingClientRect().top ?? 0;
    return top("[data-lumbit-layer='wheel']") - top("[data-lumbit-scene]") - 0.4 * innerHeight;
  });

test("screens are added from the usual ones and of any size, turned, made the large one, and kept", async () => {
  const { page } = composer;
  await menu("Add a screen", /^tablet/);
  await menu("Add a screen", /^Another size/);
  const dialog = page.getByRole("dialog", { name: "A screen of another size" });
  await dialog.getByLabel("Width").fill("1440");
  await dialog.getByLabel("Height").fill("9000");
  await page.keyboard.press("Tab");
  // More than any screen has is none.
  await poll(() => dialog.getByLabel("Height").inputValue()).toBe("4000");
  await dialog.getByLabel("Height").fill("900");
  expect(await accessibilityFaults(page)).toEqual([]);
  await page.keyboard.press("Enter");
  const all = [
    [1280, 800],
    [390, 844],
    [768, 1024],
    [1440, 900],
  ];
  await poll(sizes).toEqual(all);
  expect(await page.getByRole("button", { name: "Add a screen" }).isDisabled()).toBe(true);
  await menu(/^tablet/, "Turn it on its side");
  await poll(async () => (await sizes())[2]).toEqual([1024, 768]);
  await menu(/^screen 1440/, "Make it the large one");
  await menu(/^telephone/, "Take it away");
  const kept = [
    [1440, 900],
    [1280, 800],
    [1024, 768],
  ];
  await poll(sizes).toEqual(kept);
  await page.reload();
  await page.getByRole("button", { name: "Add a screen" }).waitFor();
  await poll(sizes).toEqual(kept);
});

test("a stage shows the page with less motion, and as it is where no script runs", async () => {
  const { page } = composer;
  await page.getByRole("slider", { name: /passage/ }).press("End");
  await poll(async () => Math.abs((await drift(stages()[0])) ?? 0)).toBeGreaterThan(50);
  expect(await attribute(stages()[0], "data-lumbit-cue")).toBe(true);
  await menu(/^telephone/, "Show it without script");
  await poll(() => attribute(stages()[1], "data-lumbit-cue")).toBe(false);
  await poll(async () => Math.abs((await drift(stages()[1])) ?? 0)).toBeGreaterThan(50);
  await page.getByText("without script").waitFor();
  await menu(/^telephone/, "Show less motion, and print");
  await poll(async () => Math.abs((await drift(stages()[1])) ?? 99)).toBeLessThan(0.5);
  await menu(/^telephone/, "Show it moving");
  await poll(async () => Math.abs((await drift(stages()[1])) ?? 0)).toBeGreaterThan(50);
});

test("keys scroll all stages, and all keys are listed", async () => {
  const { page } = composer;
  const share = () =>
    page
      .getByRole("slider", { name: /passage/ })
      .inputValue()
      .then(Number);
  await composer.card("wheel").click();
  const before = await share();
  await page.keyboard.press("Period");
  await poll(share).toBeCloseTo(before + 0.02, 2);
  await page.keyboard.press("Shift+Comma");
  await poll(share).toBeCloseTo(before - 0.08, 2);
  for (let press = 0; press < 12; press++) await page.keyboard.press("Shift+Comma");
  await poll(share).toBe(0);
  // In a field they are letters.
  await page.getByRole("textbox", { name: "depth" }).fill("1");
  await page.keyboard.type(".5");
  await poll(share).toBe(0);
  await page.keyboard.press("Enter");
  await poll(() => composer.layer("wheel")?.depth).toBe(1.5);
  await page.getByRole("button", { name: "Keys" }).click();
  const keys = page.getByRole("dialog", { name: "Keys" });
  await keys.getByText("scroll on and back").waitFor();
  expect(await accessibilityFaults(page)).toEqual([]);
  await keys.getByRole("button", { name: "Close" }).click();
  await keys.waitFor({ state: "detached" });
});
