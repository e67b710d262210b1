import { cpSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { root } from "../../../test/command.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** On the recipe of cards that stand beside each other. */
const composer = composed((folder) => {
  cpSync(join(root, "examples/recipes/cards-abreast"), folder, { recursive: true });
  for (const own of ["fonts", "art"])
    cpSync(join(root, "examples/tidehouse", own), join(folder, own), { recursive: true });
  return join(folder, "page.json");
});
const cards = ["anemone", "star", "jelly"];

test("what is in a row is not moved by hand, and stands where it stood when the row is taken apart", async () => {
  const { page, card, large } = composer;
  await stagesShow(composer);
  await card("cards").click();
  await composer.atRest();
  const before = await Promise.all(cards.map((name) => composer.boxOn(0, name)));
  const text = composer.text();
  await card("cards").press("Enter");
  await card("star").click();
  await large().focus();
  await page.keyboard.press("ArrowRight");
  await page.waitForTimeout(300);
  expect(composer.text()).toBe(text);
  await card("cards").click();
  await page.keyboard.press("Control+Shift+G");
  await poll(() => composer.onDisk().scenes[1]?.layers.map(({ name }) => name)).toContain("star");
  expect(composer.layer("star", "race")).toMatchObject({ depth: -0.15 });
  for (const [index, name] of cards.entries()) {
    const was = before[index] ?? { x: 0, y: 0 };
    await poll(async () => Math.abs((await composer.boxOn(0, name)).x - was.x)).toBeLessThan(0.5);
    expect(Math.abs((await composer.boxOn(0, name)).y - was.y), name).toBeLessThan(0.5);
  }
  await page.keyboard.press("Control+z");
  await poll(() => composer.text()).toBe(text);
});

test("a copy of what is in a row stands beside it, in the row", async () => {
  const { page, card } = composer;
  await stagesShow(composer);
  await card("cards").press("Enter");
  await card("star").click();
  await page.keyboard.press("Control+d");
  const inRow = () => composer.layer("cards", "race")?.layers as { name: string }[];
  await poll(() => inRow().map(({ name }) => name)).toEqual(["anemone", "star", "star-2", "jelly"]);
  const [star, copy] = [await composer.boxOn(0, "star"), await composer.boxOn(0, "star-2")];
  expect(copy.x).toBeGreaterThan(star.x + star.width);
  expect(copy.y).toBeCloseTo(star.y, 0);
});
