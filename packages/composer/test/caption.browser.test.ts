import { expect, test } from "vitest";
import { composed, poll } from "./compose.ts";

/** Sentences with live values, scenes on the strip, and the text of the page file. */
const composer = composed();
const { card, layer } = composer;
const caption = () => composer.page.getByRole("complementary", { name: "Caption" });
const value = (name: string) => caption().getByLabel(name, { exact: true });
const scene = (name: string) => composer.onDisk().scenes.find((one) => one.name === name);
const sceneNames = () => composer.onDisk().scenes.map(({ name }) => name);

test("values are typed, stepped, scrubbed and taken away; a wrong one says what is allowed and changes nothing", async () => {
  const { page } = composer;
  await card("title").click();
  await value("fontWeight").fill("600");
  await page.keyboard.press("Enter");
  await poll(() => layer("title")?.fontWeight).toBe(600);
  await value("top").fill("20");
  await page.keyboard.press("Enter");
  await poll(() => layer("title")?.place).toMatchObject({ top: "20vh" });
  await value("top").press("Shift+ArrowUp");
  await poll(() => layer("title")?.place).toMatchObject({ top: "30vh" });
  await value("fontWeight").blur();
  const box = await value("lineHeight").boundingBox();
  if (!box) throw new Error("no line height");
  await page.mouse.move(box.x + 10, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 8, { steps: 3 });
  await page.mouse.move(box.x + 30, box.y + 8, { steps: 3 });
  await page.mouse.up();
  await poll(() => layer("title")?.lineHeight).toBe(1.05);
  const before = composer.text();
  await value("fontWeight").fill("heavy");
  await page.keyboard.press("Enter");
  await poll(() => caption().getByRole("alert").textContent()).toContain("1 to 1000");
  await page.keyboard.press("Escape");
  expect(composer.text()).toBe(before);
  await caption().getByRole("button", { name: "Say nothing of fontWeight" }).click();
  await poll(() => layer("title")).not.toHaveProperty("fontWeight");
  // Nothing is left of any of it.
  for (let step = 0; step < 5; step++) await page.getByRole("button", { name: /^Undo ./ }).click();
  await poll(() => layer("title")).toMatchObject({
    fontWeight: 430,
    lineHeight: 0.95,
    place: { top: "30vh" },
  });
});

test("every setting that a layer can have is found by its words, and a color is picked", async () => {
  const { page } = composer;
  await card("title").click();
  await caption().getByRole("button", { name: "say more" }).click();
  await page.keyboard.type("outlines");
  await page.getByRole("menuitem", { name: /outline/ }).click();
  await value("outline").fill("2px");
  await page.keyboard.press("Enter");
  await poll(() => layer("title")?.outline).toBe("2px");
  await caption().getByRole("button", { name: "color, color" }).click();
  expect(await page.getByText(/: 1 on the ground of the scene/).count()).toBe(1);
  await page.getByRole("textbox", { name: "Hex" }).fill("#ffcc00");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Escape");
  await poll(() => layer("title")?.color).toBe("#ffcc00");
});

test("names are changed where they stand, and the page has its own sentences", async () => {
  const { page } = composer;
  await card("school").click();
  await value("Name").fill("Little fish");
  await page.keyboard.press("Enter");
  await poll(() => layer("little-fish")?.image).toBe("art/school.webp");
  await caption().getByRole("button", { name: "descent" }).click();
  await value("Name").fill("dive");
  await page.keyboard.press("Enter");
  await poll(() => sceneNames()[0]).toBe("dive");
  await card("title").click();
  await caption().getByRole("button", { name: "page", exact: true }).click();
  await value("title").fill("Below Pellow Sound");
  await page.keyboard.press("Enter");
  await poll(() => composer.onDisk().title).toBe("Below Pellow Sound");
});

test("what the page says of itself is asked for and said part by part; nothing of it is there unasked", async () => {
  const { page, onDisk } = composer;
  const { head } = onDisk();
  await page.getByRole("button", { name: "page", exact: true }).click();
  expect(await caption().getByRole("textbox", { name: "pictures" }).count()).toBe(0);
  await caption().getByRole("button", { name: "say more" }).first().click();
  await page.keyboard.type("pictures are delivered");
  await page.getByRole("menuitem", { name: /^pictures/ }).click();
  await value("similarity").fill("0.99");
  await page.keyboard.press("Enter");
  await poll(() => onDisk().pictures).toEqual({ similarity: 0.99 });
  expect(onDisk().head).toEqual(head);
});

test("scenes are added, moved, made higher, copied and deleted", async () => {
  const { page } = composer;
  const before = composer.text();
  const strip = page.getByRole("navigation", { name: "Page" });
  const choose = async (words: string) => {
    await strip.getByRole("button", { name: /^More for/ }).click();
    await page.getByRole("menuitem", { name: words }).click();
  };
  await page.getByRole("option", { name: "tides", exact: true }).click();
  // The sign between two scenes does the same as the menu.
  await strip.getByRole("button", { name: "New scene above tides" }).click();
  await poll(() => sceneNames()[1]).toBe("scene");
  await choose("Move up");
  await poll(() => sceneNames()[0]).toBe("scene");
  await composer.atRest();
  const edge = strip.getByTitle("The height of scene");
  const box = await edge.boundingBox();
  if (!box) throw new Error("no edge");
  await page.mouse.move(box.x + 40, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 24, { steps: 4 });
  await page.mouse.up();
  await poll(() => Number.parseInt(String(scene("scene")?.height), 10)).toBeGreaterThan(115);
  await page.getByRole("option", { name: "gear", exact: true }).click();
  await choose("Duplicate");
  await poll(sceneNames).toContain("gear-2");
  await choose("Delete");
  await poll(sceneNames).not.toContain("gear-2");
  for (let step = 0; step < 5; step++) await page.getByRole("button", { name: /^Undo ./ }).click();
  await poll(() => composer.text()).toBe(before);
});

test("the text is live both ways, completes what may stand there, and keeps what is not right to itself", async () => {
  const { page } = composer;
  await card("title").click();
  await page.getByRole("button", { name: "Text", exact: true }).click();
  const editor = page.getByRole("textbox", { name: /^Text of/ });
  await poll(() => editor.textContent()).toContain('"title"');
  // What is done on the stages is in it.
  await composer.large().focus();
  await page.keyboard.press("ArrowUp");
  await poll(() => editor.textContent()).toMatch(/"top": "29\.\d+vh"/);
  await composer.saved();
  // And the other way round.
  await page.getByText('"h1"', { exact: true }).first().dblclick();
  await page.keyboard.press("End");
  await page.keyboard.type('\n"opac');
  await page.getByRole("option", { name: '"opacity"' }).click();
  const before = composer.text();
  await poll(() => page.getByText(/The text is not right yet/).count()).toBe(1);
  expect(composer.text()).toBe(before);
  await page.keyboard.type("0.5,");
  await poll(() => layer("title")?.opacity).toBe(0.5);
  // On top of what its ramp has.
  for (const frame of composer.stages())
    await poll(async () =>
      Number(
        await frame.evaluate(
          () => getComputedStyle(document.querySelector('[data-lumbit-layer="title"]') as Element).opacity,
        ),
      ),
    ).toBeLessThan(0.51);
});
