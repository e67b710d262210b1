import { writeFileSync } from "node:fs";
import { expect, test } from "vitest";
import { composed, poll } from "./compose.ts";

/** Selecting and placing right on a stage, on the demo. */
const composer = composed();
const { boxOn, card, large, layer } = composer;
const middle = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
  x: x + width / 2,
  y: y + height / 2,
});
const heading = () =>
  composer.page.getByRole("complementary", { name: "Caption" }).getByRole("heading").first().textContent();
/** What lies under the pointer, as it is said there. */
const named = () => composer.page.locator(".lies span").allTextContents();
const settled = async () => {
  await composer.saved();
  await composer.atRest();
};
/** Scrolls the stages to a share of the scene's passage. */
async function goTo(at: number) {
  const share = () =>
    composer.stages()[0]?.evaluate(() => {
      const scene = document.querySelector('[data-lumbit-scene="descent"]') as Element;
      const { top, height } = scene.getBoundingClientRect();
      return (innerHeight - top) / (innerHeight + height);
    });
  await composer.page.getByRole("slider", { name: /Place in the passage/ }).fill(String(at));
  await poll(share).toBeCloseTo(at, 2);
  await settled();
}
/** Drags with the pointer, by steps. */
async function drag(from: { x: number; y: number }, by: { x: number; y: number }, keys: string[] = []) {
  const { page } = composer;
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (const key of keys) await page.keyboard.down(key);
  for (let step = 1; step <= 6; step++)
    await page.mouse.move(from.x + (by.x * step) / 6, from.y + (by.y * step) / 6);
}

test("a layer that is dragged stays under the pointer, far from where it settles, and its ghosts are shown", async () => {
  const { page } = composer;
  await goTo(0.4);
  const before = await boxOn(0, "title");
  const place = { ...Object(layer("title")?.place) };
  const from = middle(before);
  // What is seen through is not what is meant: a picture is looked at when the pointer is over it first.
  await page.mouse.move(from.x, from.y);
  await poll(() => named().then(([first]) => first)).toBe("title");
  await page.mouse.click(from.x, from.y);
  await poll(heading).toBe("title");
  await drag(from, { x: 60, y: 24 }, ["Alt"]);
  await poll(async () => Math.abs((await boxOn(0, "title")).x - before.x - 60)).toBeLessThan(0.5);
  await poll(async () => Math.abs((await boxOn(0, "title")).y - before.y - 24)).toBeLessThan(0.5);
  expect(await page.getByText("as it leaves").count()).toBe(1);
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await composer.saved();
  await poll(async () => Math.abs((await boxOn(0, "title")).x - before.x - 60)).toBeLessThan(0.5);
  const moved = layer("title")?.place as Record<string, string>;
  // It was centred across, which it is no more.
  expect(place).toMatchObject({ center: "x" });
  expect(moved).toEqual({ left: expect.stringMatching(/%$/), top: expect.stringMatching(/vh$/) });
  await page.getByRole("button", { name: "Undo title: place" }).click();
  await poll(() => layer("title")?.place).toEqual(place);
});

test("a layer that settles by its own passage stays under the pointer too, though it settles later the lower it stands", async () => {
  const { page, file } = composer;
  const text = composer.text();
  writeFileSync(file, text.replace('"name": "title",', '"name": "title", "settle": "middle",'));
  await page.getByRole("option", { name: /^title.*settles at "middle" of its own passage/ }).click();
  await goTo(0.4);
  const before = await boxOn(0, "title");
  await drag(middle(before), { x: 40, y: 30 }, ["Alt"]);
  await poll(async () => Math.abs((await boxOn(0, "title")).x - before.x - 40)).toBeLessThan(0.5);
  await poll(async () => Math.abs((await boxOn(0, "title")).y - before.y - 30)).toBeLessThan(0.5);
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await composer.saved();
  await poll(async () => Math.abs((await boxOn(0, "title")).y - before.y - 30)).toBeLessThan(0.5);
});

test("clicks go through the stack, and what lies there is named beside the pointer", async () => {
  const { page } = composer;
  await settled();
  const at = middle(await boxOn(0, "title"));
  await page.mouse.move(at.x - 2, at.y);
  await poll(() => named().then(([first]) => first)).toBe("title");
  await page.mouse.move(at.x, at.y);
  await poll(() => named().then(({ length }) => length)).toBeGreaterThan(2);
  const names = await named();
  for (const name of names.slice(0, 3)) {
    await page.mouse.click(at.x, at.y);
    await poll(heading).toBe(name);
  }
});

test("arrow keys move by a pixel, with Shift by ten, as one step; edges and middles attract", async () => {
  const { page } = composer;
  await card("title").click();
  await settled();
  const before = await boxOn(0, "title");
  const { width } = (await large().boundingBox()) ?? { width: 1280 };
  const scale = width / 1280;
  await large().focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowUp");
  await page.getByRole("button", { name: "Undo title: place" }).waitFor();
  await settled();
  const after = await boxOn(0, "title");
  expect(after.x - before.x).toBeCloseTo(11 * scale, 1);
  expect(after.y - before.y).toBeCloseTo(-1 * scale, 1);
  // Back near where it was in the middle, it is brought there.
  await drag(middle(after), { x: -9 * scale, y: 40 * scale });
  await page.mouse.up();
  await settled();
  expect((await boxOn(0, "title")).x).toBeCloseTo(before.x, 1);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await page.getByRole("button", { name: /^Undo/ }).click();
  await poll(async () => (await boxOn(0, "title")).x).toBeCloseTo(before.x, 1);
});

test("handles resize, several are selected by a frame, and words are written where they are", async () => {
  const { page } = composer;
  await card("school").click();
  await settled();
  const corner = page.locator('.large [data-handle="-1 1"]');
  const before = await boxOn(0, "school");
  await drag(middle((await corner.boundingBox()) ?? before), { x: -40, y: 0 });
  await page.mouse.up();
  await page.getByRole("button", { name: "Undo school: size" }).waitFor();
  await settled();
  const after = await boxOn(0, "school");
  // It is centred, so it grows to both sides.
  expect(after.x - before.x).toBeCloseTo(-40, 0);
  expect(after.width - before.width).toBeCloseTo(80, 0);
  expect(after.width / after.height).toBeCloseTo(before.width / before.height, 2);

  const words = await boxOn(0, "title");
  await page.mouse.dblclick(words.x + words.width / 2, words.y + words.height / 2);
  const field = page.getByRole("textbox", { name: /^Words of title/ });
  await field.fill("Above the kelp");
  for (const frame of composer.stages())
    await poll(() => frame.locator('[data-lumbit-layer="title"]').first().textContent()).toContain("Above");
  await page.keyboard.press("Control+Enter");
  await poll(() => layer("title")?.text).toBe("Above the kelp");
});

test("a locked layer is not taken hold of", async () => {
  const { page } = composer;
  await card("title").click();
  await page.getByRole("button", { name: "More for title" }).click();
  await page.getByRole("menuitem", { name: "Lock" }).click();
  await poll(() => layer("title")?.locked).toBe(true);
  await settled();
  const at = middle(await boxOn(0, "title"));
  await page.mouse.click(at.x, at.y);
  await poll(heading).not.toBe("title");
});
