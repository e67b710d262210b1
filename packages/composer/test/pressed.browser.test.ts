import { readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { startComposer } from "../../cli/src/compose/compose.ts";
import { composed, poll } from "./compose.ts";

/** What is pressed by pointer does something, and what was meant is kept. */
const stone = (name: string, left: string, depth: number) => ({
  ...{ name, shape: "rectangle", background: "#c96", depth },
  place: { left, top: "40vh", width: "12%", height: "20vh" },
});
const page = {
  ...{ format: "lumbit/1", title: "Pier", lang: "en" },
  checks: [{ rule: "contrast", scene: "first", layer: "far", severity: "off", reason: "it is meant so" }],
  scenes: [
    {
      ...{ name: "first", height: "130vh", background: "#123" },
      layers: [stone("far", "10%", 2), stone("mid", "40%", 0.5), stone("near", "70%", 0.5)],
    },
    { name: "second", height: "100vh", layers: [] },
  ],
};
const composer = composed((folder) => {
  const file = join(folder, "page.json");
  writeFileSync(file, `${JSON.stringify(page, null, 2)}\n`);
  return file;
});
const { card, large } = composer;
const names = () => composer.onDisk().scenes[0]?.layers.map(({ name }) => name) ?? [];
const field = (label: string) => composer.page.getByRole("complementary").getByLabel(label, { exact: true });
const press = (name: string | RegExp) => composer.page.getByRole("button", { name, exact: true }).click();
const place = (layer: string) => composer.layer(layer)?.place as Record<string, string>;

test("page in the trail says what the page says, and the last of its look may go", async () => {
  await press("page");
  await poll(() => field("title").inputValue()).toBe("Pier");
  await composer.page.getByRole("button", { name: "say more" }).last().click();
  await composer.page.getByRole("menuitem", { name: /^color/ }).click();
  await poll(() => composer.page.evaluate(() => document.activeElement?.getAttribute("aria-label"))).toBe(
    "color",
  );
  await composer.page.keyboard.type("#eee");
  await composer.page.keyboard.press("Enter");
  await poll(() => composer.onDisk().page).toEqual({ color: "#eee" });
  await field("color").hover();
  await press("Say nothing of color");
  await poll(() => composer.onDisk().page).toBeUndefined();
  await poll(() => field("title").inputValue()).toBe("Pier");
});

test("every entry of a layer's menu does what it says", async () => {
  const choose = async (layer: string, entry: string) => {
    await composer.page.getByRole("button", { name: `More for ${layer}` }).click();
    await composer.page.getByRole("menuitem", { name: new RegExp(`^${entry}`) }).click();
  };
  await card("far").click();
  await choose("far", "Duplicate");
  await poll(names).toContain("far-2");
  await choose("far-2", "Hide");
  await poll(() => composer.layer("far-2")?.hidden).toBe(true);
  // Its card is still there to be pressed.
  await card("mid").click();
  await card("far-2").click();
  await choose("far-2", "Delete");
  await poll(names).not.toContain("far-2");
  await card("far").click();
  await card("near").click({ modifiers: ["Control"] });
  await choose("2 layers", "Group");
  await poll(names).toEqual(["mid", "group"]);
  // It says what changes, and gives it back.
  await poll(() => composer.page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringContaining("far moved at 0.33"),
  );
  await choose("group", "Ungroup");
  await poll(() => composer.layer("far")?.depth).toBe(2);
  await card("far").click();
  await choose("far", "Delete");
  await poll(names).not.toContain("far");
  // What the page decides about it goes along.
  expect(composer.onDisk().checks).toBeUndefined();
});

test.each([
  ["another card", () => card("near").click()],
  ["a stage", async () => large().click({ position: { x: 20, y: 20 } })],
])("what was typed and left by a click on %s is of what it was typed for", async (_, leave) => {
  await card("mid").click();
  await field("top").fill("30vh");
  await leave();
  await poll(() => place("mid").top).toBe("30vh");
  expect(place("near").top).toBe("40vh");
  await card("mid").click();
  await field("top").fill("deep");
  await leave();
  await poll(() => composer.page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringMatching(/top of mid stays as it was: "deep" is not taken/),
  );
  expect(place("mid").top).toBe("30vh");
});

test("say more closes by Escape whatever is typed, and what was asked for with one layer is not said of the next", async () => {
  const { page } = composer;
  await card("mid").click();
  const more = page.getByRole("button", { name: "say more" });
  await more.click();
  await page.keyboard.type("opac");
  await page.keyboard.press("Escape");
  await poll(() => page.getByRole("dialog").count()).toBe(0);
  await more.click();
  await page.keyboard.type("opac");
  await page.getByRole("menuitem", { name: /^opacity/ }).click();
  await poll(() => page.evaluate(() => document.activeElement?.getAttribute("aria-label"))).toBe("opacity");
  await card("near").click();
  await poll(() => field("opacity").count()).toBe(0);
});

test("words that are put in are typed at once, and a click elsewhere takes them", async () => {
  const { page } = composer;
  await press("Add a layer");
  await page.getByRole("menuitem", { name: "Words" }).click();
  await poll(() => page.getByLabel("Words of words").count()).toBe(1);
  await page.keyboard.type("Low water");
  await page.keyboard.press("Enter");
  await large().click({ position: { x: 12, y: 12 } });
  await poll(() => composer.layer("words")?.text).toBe("Low water");
});

test("a frame around a group takes it, not what is in it; with Shift it adds", async () => {
  const { page } = composer;
  await card("mid").click();
  await card("near").click({ modifiers: ["Control"] });
  await page.keyboard.press("Control+g");
  await poll(names).toContain("group");
  await composer.atRest();
  const inner = () => (composer.layer("group")?.layers as { name: string; place: object }[]) ?? [];
  const before = inner();
  const selected = () =>
    page
      .getByRole("listbox", { name: /^Layers of/ })
      .getByRole("option", { selected: true })
      .evaluateAll((cards) => cards.map((card) => card.getAttribute("data-key")));
  /** Draws a frame around layers, from beside them. */
  const frame = async (around: string[]) => {
    const boxes = await Promise.all(around.map((name) => composer.boxOn(0, name)));
    const [left, right] = [
      Math.min(...boxes.map(({ x }) => x)),
      Math.max(...boxes.map(({ x, width }) => x + width)),
    ];
    const [top, bottom] = [
      Math.min(...boxes.map(({ y }) => y)),
      Math.max(...boxes.map(({ y, height }) => y + height)),
    ];
    await page.mouse.move(left - 8, top - 8);
    await page.mouse.down();
    await page.mouse.move(right + 8, bottom + 8, { steps: 5 });
    await page.mouse.up();
  };
  await page.keyboard.press("Escape");
  await poll(selected).toEqual([]);
  await frame(["mid", "near"]);
  await poll(selected).toEqual(["group"]);
  await page.keyboard.down("Shift");
  await frame(["far"]);
  await page.keyboard.up("Shift");
  await poll(async () => (await selected()).toSorted()).toEqual(["far", "group"]);
  // What is in a group moves once, with it.
  await large().focus();
  const left = place("far").left;
  await page.keyboard.press("Shift+ArrowRight");
  await poll(() => place("far").left).not.toBe(left);
  await composer.saved();
  expect(inner()).toEqual(before);
});

describe("another program", () => {
  const written = (change: (page: ReturnType<typeof composer.onDisk>) => void) => {
    const now = composer.onDisk();
    change(now);
    writeFileSync(composer.file, `${JSON.stringify(now, null, 2)}\n`);
  };

  test("writes while a layer is dragged: both are kept, and what both changed is to choose from", async () => {
    const { page } = composer;
    await card("mid").click();
    await page.waitForSelector(".large .outline");
    const drag = async (change: Parameters<typeof written>[0]) => {
      const box = await composer.boxOn(0, "mid");
      await page.mouse.move(box.x + 30, box.y + 30);
      await page.mouse.down();
      await page.mouse.move(box.x + 90, box.y + 30, { steps: 5 });
      written(change);
      // The watcher tells of it while the hand is still on the layer.
      await page.waitForTimeout(700);
      await page.mouse.move(box.x + 110, box.y + 30, { steps: 3 });
      await page.mouse.up();
    };
    await drag((now) => Object.assign(now, { title: "Old pier" }));
    await poll(() => composer.onDisk().title).toBe("Old pier");
    await poll(() => place("mid").left).not.toBe("40%");
    await composer.saved();
    const moved = place("mid").left;
    await page.getByRole("button", { name: /^Undo/ }).waitFor();
    await drag((now) =>
      Object.assign(now.scenes[0]?.layers[1] as object, { place: { ...stone("mid", "5%", 0).place } }),
    );
    await page.getByRole("button", { name: "Keep what is here" }).waitFor();
    expect(place("mid").left).toBe("5%");
    await press("Take what is there");
    await composer.saved();
    expect(place("mid").left).toBe("5%");
    expect(moved).not.toBe("5%");
  });

  test("breaks the file: its text opens at the fault", async () => {
    writeFileSync(composer.file, composer.text().replace('"130vh"', '"tall"'));
    const { page } = composer;
    await poll(() => page.getByRole("region", { name: "Text of the page file" }).count()).toBe(1);
    await poll(() => page.locator(".cm-activeLine").textContent()).toContain('"height": "tall"');
  });

  test("takes the file away: that is said, and what was done is written when it is back", async () => {
    const before = composer.text();
    rmSync(composer.file);
    await poll(() => composer.page.getByRole("status").textContent()).toContain("not there");
    writeFileSync(composer.file, before);
    await composer.saved();
  });
});

test("what is typed in the text and not right yet is not lost by a gesture", async () => {
  const { page } = composer;
  await press("Text");
  const editor = page.getByRole("textbox", { name: /Text of/ });
  await editor.click();
  await page.keyboard.press("Control+End");
  await page.keyboard.type("x");
  await poll(() => page.getByText("The text is not right yet").count()).toBe(1);
  const typed = await editor.textContent();
  await card("mid").click();
  await page.keyboard.press("ArrowRight");
  await poll(() => page.getByRole("status").textContent()).toContain("what is typed there would be lost");
  expect(await editor.textContent()).toBe(typed);
  expect(composer.layer("mid")?.depth).toBe(0.5);
});

test("an old window says where to go when the command was started anew", async () => {
  const { port } = new URL(composer.url);
  await composer.stop();
  const again = await startComposer(composer.file, Number(port));
  try {
    await expect
      .poll(() => composer.page.getByRole("status").textContent(), { timeout: 20_000 })
      .toContain("started anew");
  } finally {
    await again.close();
  }
});

test("pasted words become a text, and a layer from a page with another picture of that name brings its own", async () => {
  const { page } = composer;
  const pasted = (text: string) =>
    page.evaluate((text) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData("text/plain", text);
      document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true }));
    }, text);
  await pasted("High water at six");
  await poll(() => composer.layer("words")?.text).toBe("High water at six");
  const layerOf = async (color: string) => {
    const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: color } })
      .png()
      .toBuffer();
    const layers = [{ name: "sky", image: "art/sky.png", alt: "" }];
    const pictures = { "art/sky.png": `data:image/png;base64,${bytes.toString("base64")}` };
    return { text: JSON.stringify({ format: "lumbit/1 layers", layers, pictures }), bytes };
  };
  const [one, other] = [await layerOf("#08f"), await layerOf("#f80")];
  for (const { text } of [one, one, other]) {
    const before = names().length;
    await pasted(text);
    await poll(() => names().length).toBe(before + 1);
  }
  const file = (layer: string) => join(composer.file, "..", String(composer.layer(layer)?.image));
  expect(readFileSync(file("sky")).equals(one.bytes)).toBe(true);
  expect(file("sky-2")).toBe(file("sky"));
  expect(readFileSync(file("sky-3")).equals(other.bytes)).toBe(true);
});

test("in a small window stages come first, and all else is a press away", async () => {
  const { page } = composer;
  for (const [width, height] of [
    [860, 600],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    const seen = async (selector: string) =>
      (await page.locator(selector).first().boundingBox()) ?? { width: 0, height: 0 };
    await poll(async () => (await seen(".large .screen")).height).toBeGreaterThan(height / 4);
    for (const [name, selector] of [
      ["Section", ".section"],
      ["Page", ".strip"],
      ["Caption", ".caption"],
    ] as const) {
      await page
        .getByRole("navigation", { name: /around the stages/ })
        .getByRole("button", { name })
        .click();
      await poll(async () => (await seen(selector)).width).toBeGreaterThan(100);
      expect((await seen(".large .screen")).height).toBeGreaterThan(60);
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  }
});
