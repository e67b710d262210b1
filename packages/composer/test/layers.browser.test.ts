import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { root } from "../../../test/command.ts";
import { recordedFilm } from "../../../test/film.ts";
import { composed, poll } from "./compose.ts";

/** What is done with whole layers: from the menu, by keys, from the desktop and the clipboard. */
const composer = composed();
const { card, large } = composer;
const names = () => composer.onDisk().scenes[0]?.layers.map(({ name }) => name) ?? [];
const choose = async (layer: RegExp, command: string) => {
  await composer.page.getByRole("button", { name: layer }).click();
  await composer.page.getByRole("menuitem", { name: command, exact: true }).click();
};

test("layers are duplicated, hidden, grouped, taken apart and deleted, and all of it undone", async () => {
  const { page } = composer;
  const before = composer.text();
  await card("school").click();
  await page.keyboard.press("Control+d");
  await poll(names).toContain("school-2");
  await choose(/More for school-2/, "Hide");
  await poll(() => composer.layer("school-2")?.hidden).toBe(true);
  await card("school").click();
  await card("far-reef").click({ modifiers: ["Control"] });
  await page.keyboard.press("Control+g");
  await poll(names).toContain("group");
  await page.keyboard.press("Control+Shift+G");
  await poll(names).not.toContain("group");
  await card("snow").click();
  await page.keyboard.press("Delete");
  await poll(names).not.toContain("snow");
  for (let step = 0; step < 5; step++) await page.keyboard.press("Control+z");
  await poll(() => composer.text()).toBe(before);
});

test("pictures that are dropped on a stage become layers where they fall, and what is no picture is said", async () => {
  const { page } = composer;
  const bytes = await sharp({ create: { width: 640, height: 320, channels: 4, background: "#0a6" } })
    .png()
    .toBuffer();
  await composer.atRest();
  const box = (await large().boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const at = { x: Math.round(box.x + 0.6 * box.width), y: Math.round(box.y + 0.5 * box.height) };
  const font = readFileSync(join(composer.file, "..", "fonts/figtree.woff2"));
  const data = await page.evaluateHandle(
    ([bytes, font]) => {
      const data = new DataTransfer();
      data.items.add(new File([new Uint8Array(font as number[])], "sea-hand.woff2", { type: "font/woff2" }));
      data.items.add(
        new File([new Uint8Array(bytes as number[])], "Old Pier (1).png", { type: "image/png" }),
      );
      data.items.add(new File(["no picture"], "notes.txt", { type: "text/plain" }));
      return data;
    },
    [[...bytes], [...font]],
  );
  await large().dispatchEvent("drop", { dataTransfer: data, clientX: at.x, clientY: at.y });
  await poll(names).toContain("old-pier-1");
  // A font that is dropped is shipped with the page.
  await poll(() => composer.onDisk().fonts?.map(({ family, src }) => [family, src].join())).toContain(
    "Sea Hand,fonts/sea-hand.woff2",
  );
  const layer = composer.layer("old-pier-1");
  expect(layer).toMatchObject({ image: "art/Old-Pier-1.png", alt: "" });
  expect(readFileSync(join(composer.file, "..", "art/Old-Pier-1.png")).equals(bytes)).toBe(true);
  // It has its height when it is loaded.
  await poll(async () => (await composer.boxOn(0, "old-pier-1")).height).toBeGreaterThan(10);
  // What is said above the stages may have made them smaller: where it fell on the stage is what counts.
  const now = (await large().boundingBox()) ?? box;
  const shown = await composer.boxOn(0, "old-pier-1");
  const share = (middle: number, from: number, of: number) => (middle - from) / of;
  expect(share(shown.x + shown.width / 2, now.x, now.width)).toBeCloseTo(share(at.x, box.x, box.width), 2);
  expect(share(shown.y + shown.height / 2, now.y, now.height)).toBeCloseTo(share(at.y, box.y, box.height), 2);
  await poll(() => page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringContaining("notes.txt"),
  );
});

test("a film that is dropped becomes a layer with its first picture as its still", async () => {
  const { page } = composer;
  const box = (await large().boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const film = await recordedFilm(page, 80, 40);
  const data = await page.evaluateHandle(
    (bytes) => {
      const data = new DataTransfer();
      data.items.add(new File([new Uint8Array(bytes)], "Surf at noon.webm", { type: "video/webm" }));
      data.items.add(new File(["no film"], "broken.webm", { type: "video/webm" }));
      return data;
    },
    [...film],
  );
  const at = { clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 };
  await large().dispatchEvent("drop", { dataTransfer: data, ...at });
  await poll(names).toContain("surf-at-noon");
  expect(composer.layer("surf-at-noon")).toMatchObject({
    image: "art/Surf-at-noon-still.png",
    video: "art/Surf-at-noon.webm",
  });
  const still = await sharp(join(composer.file, "..", "art/Surf-at-noon-still.png")).stats();
  expect(still.channels.slice(0, 3).map(({ mean }) => Math.round(mean / 40))).toEqual([0, 5, 0]);
  await poll(async () => (await composer.boxOn(0, "surf-at-noon")).height).toBeGreaterThan(5);
  const plays = () =>
    page
      .frames()
      .at(-1)
      ?.evaluate(() => [...document.querySelectorAll("video")].map(({ paused }) => paused));
  await poll(plays).toEqual([false]);
  await poll(() => page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringContaining("broken.webm"),
  );
});

test("a drawing in layers that is dropped becomes a scene behind the one that is shown, and undo takes it back", async () => {
  const { page } = composer;
  const drawing = join(composer.file, "..", "..", "shore.ora");
  const script = join(root, "examples/tidehouse/draw/drawing.mjs");
  expect(spawnSync(process.execPath, [script, drawing]).status).toBe(0);
  const scenes = () => composer.onDisk().scenes.map(({ name }) => name);
  const before = scenes();
  const drop = async (name: string, bytes: Buffer) => {
    const data = await page.evaluateHandle(
      ([name, bytes]) => {
        const data = new DataTransfer();
        const content = Uint8Array.from(atob(bytes as string), (letter) => letter.charCodeAt(0));
        data.items.add(new File([content], name as string));
        return data;
      },
      [name, bytes.toString("base64")],
    );
    const box = (await large().boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    const at = { clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 };
    await large().dispatchEvent("drop", { dataTransfer: data, ...at });
  };
  await drop("2 Shore!.ora", readFileSync(drawing));
  await poll(scenes).toHaveLength(before.length + 1);
  const at = scenes().indexOf("shore");
  expect(at).toBeGreaterThan(0);
  const layers = composer.onDisk().scenes[at]?.layers ?? [];
  expect(layers).toHaveLength(6);
  for (const { image = "" } of layers) expect(existsSync(join(composer.file, "..", image))).toBe(true);
  await poll(async () => (await composer.boxOn(0, "far-reef")).height).toBeGreaterThan(5);
  await drop("broken.ora", Buffer.from("nothing"));
  await poll(() => page.getByRole("alert").allTextContents()).toContainEqual(
    expect.stringContaining("broken.ora is no archive"),
  );
  await page.keyboard.press("Control+z");
  await poll(scenes).toEqual(before);
});

test("layers are copied into another page's window with their pictures", async () => {
  const { page } = composer;
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await card("far-kelp").click();
  await page.keyboard.press("Control+c");
  await poll(() => page.evaluate("navigator.clipboard.readText()")).toContain("lumbit/1 layers");
  await page.getByRole("option", { name: "tides", exact: true }).click();
  await large().focus();
  await page.keyboard.press("Control+v");
  await poll(() => composer.layer("far-kelp", "tides")?.image).toBe("art/far-kelp.webp");
});

test("depths are spread evenly, and a depth that is changed with Alt leaves the layer where it is", async () => {
  const { page } = composer;
  await card("near-kelp-right").click();
  for (const name of ["mid-kelp", "school", "far-reef"]) await card(name).click({ modifiers: ["Control"] });
  await choose(/More for 4 layers/, "Spread evenly");
  const speed = (name: string) => 1 / (1 + Number(composer.layer(name)?.depth));
  await poll(() => speed("mid-kelp") - speed("school")).toBeCloseTo(
    (speed("near-kelp-right") - speed("far-reef")) / 3,
    1,
  );
  await card("school").click();
  await composer.atRest();
  const before = await composer.boxOn(0, "school");
  await page.keyboard.press("Alt+Shift+ArrowLeft");
  await page.keyboard.press("Alt+Shift+ArrowLeft");
  await page.getByRole("button", { name: "Undo school: depth" }).waitFor();
  const after = await composer.boxOn(0, "school");
  expect(Math.abs(after.y - before.y)).toBeLessThan(1);
  expect(Number(composer.layer("school")?.depth)).not.toBe(1.6);
});

test("cards of one depth change places by dragging up and down: what is on top is painted in front", async () => {
  const { page } = composer;
  const box = async (name: string) => (await card(name).boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const before = composer.text();
  const [upper, lower] = [await box("near-kelp-right"), await box("near-kelp-left")];
  expect(lower.y).toBeGreaterThan(upper.y);
  const order = () => names().filter((name) => name.startsWith("near-kelp"));
  expect(order()).toEqual(["near-kelp-left", "near-kelp-right"]);
  await page.mouse.move(lower.x + 40, lower.y + 20);
  await page.mouse.down();
  await page.mouse.move(lower.x + 40, lower.y + 10);
  await page.mouse.move(upper.x + 42, upper.y + 20, { steps: 4 });
  await poll(async () => (await box("near-kelp-left")).y).toBe(upper.y);
  await page.mouse.up();
  await poll(order).toEqual(["near-kelp-right", "near-kelp-left"]);
  await page.getByRole("button", { name: "Undo near-kelp-left: order" }).click();
  await poll(() => composer.text()).toBe(before);
});

test("a group opens: what is in it stands behind its card and can be reordered, and its depth is the group's", async () => {
  const { page } = composer;
  const before = composer.text();
  for (const name of ["near-kelp-left", "near-kelp-right"])
    await card(name).click(name === "near-kelp-right" ? { modifiers: ["Control"] } : {});
  await page.keyboard.press("Control+g");
  await poll(names).toContain("group");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+Shift+z");
  expect(await card("near-kelp-left").count()).toBe(0);
  await card("group").focus();
  await page.keyboard.press("Enter");
  await card("near-kelp-left").click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Undo group: depth" }).waitFor();
  await card("group").getByText("2 layers").click();
  await poll(() => card("near-kelp-left").count()).toBe(0);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await poll(() => composer.text()).toBe(before);
});
