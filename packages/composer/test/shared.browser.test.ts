import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { unzipSync } from "fflate";
import { expect, test } from "vitest";
import { composed, poll, stagesShow } from "./compose.ts";

const house = {
  format: "lumbit/1",
  page: { background: "#0a2b30", color: "#e9f4ef", header: { text: "The Tidehouse" } },
  parts: { lamp: { text: "Lamp", depth: 1, place: { left: "20%", top: "30%" } } },
};
const own = {
  ...{ format: "lumbit/1", title: "Low water", lang: "en", shared: "house.json" },
  scenes: [{ name: "shore", height: "120vh", layers: [{ name: "lamp", part: "lamp" }] }],
};

/** A page that shares a file with others. */
const composer = composed((folder) => {
  const file = join(folder, "low.json");
  writeFileSync(join(folder, "house.json"), JSON.stringify(house, null, 2));
  writeFileSync(file, JSON.stringify(own, null, 2));
  return file;
});
const shared = () => join(dirname(composer.file), "house.json");
const words = () =>
  composer.stages()[0]?.evaluate(() => document.querySelector('[data-lumbit-layer="lamp"]')?.textContent);
const ground = () => composer.stages()[0]?.evaluate(() => getComputedStyle(document.body).backgroundColor);

test("what pages share is on the stages; what is changed here is this page's own, and the file that is shared stays", async () => {
  const { page, card } = composer;
  await stagesShow(composer);
  expect(await ground()).toBe("rgb(10, 43, 48)");
  const before = readFileSync(shared(), "utf8");
  await card("lamp").click();
  await page.getByRole("textbox", { name: "depth" }).fill("4");
  await page.keyboard.press("Enter");
  await poll(() => composer.layer("lamp")).toEqual({ name: "lamp", part: "lamp", depth: 4 });
  expect(Object.keys(composer.onDisk())).toEqual(Object.keys(own));
  expect(readFileSync(shared(), "utf8")).toBe(before);
  await page.getByRole("button", { name: /^Undo lamp/ }).click();
  await poll(() => composer.text()).toBe(JSON.stringify(own, null, 2));
});

test("what another program changes in the shared file shows; undo goes on and keeps it", async () => {
  const { page, card } = composer;
  await stagesShow(composer);
  await card("lamp").click();
  await page.getByRole("textbox", { name: "depth" }).fill("4");
  await page.keyboard.press("Enter");
  await poll(() => composer.layer("lamp")).toMatchObject({ depth: 4 });
  const parts = { lamp: { ...house.parts.lamp, text: "Lantern" } };
  writeFileSync(shared(), JSON.stringify({ ...house, parts }, null, 2));
  await poll(words).toBe("Lantern");
  await page.getByRole("button", { name: /^Undo lamp/ }).click();
  await poll(() => composer.text()).toBe(JSON.stringify(own, null, 2));
  await poll(words).toBe("Lantern");
  writeFileSync(shared(), JSON.stringify({ ...house, page: { background: "sea" } }, null, 2));
  await poll(() => page.getByText(/found "sea"/).count()).toBeGreaterThan(0);
});

test("a page begins to share by its text, and a name that is not there is said", async () => {
  const { page } = composer;
  await stagesShow(composer);
  writeFileSync(
    join(dirname(composer.file), "other.json"),
    JSON.stringify({ ...house, page: { background: "#400" } }),
  );
  await page.getByRole("button", { name: "Text" }).click();
  const editor = page.getByRole("textbox", { name: "Text of low.json" });
  await editor.waitFor();
  const put = async (text: string) => {
    await editor.click();
    await page.keyboard.press("ControlOrMeta+A");
    await page.keyboard.insertText(text);
  };
  await put(JSON.stringify({ ...own, shared: "other.json" }));
  await poll(ground).toBe("rgb(68, 0, 0)");
  await poll(() => composer.onDisk()).toMatchObject({ shared: "other.json" });
  await put(JSON.stringify({ ...own, shared: "nowhere.json" }));
  await poll(() => page.locator(".cm-lintRange-error").count()).toBeGreaterThan(0);
  expect(composer.onDisk()).toMatchObject({ shared: "other.json" });
});

test("what is taken away has the page's own file, the shared one and pieces of markup", async () => {
  const { page } = composer;
  const folder = dirname(composer.file);
  writeFileSync(join(folder, "ask.html"), "<form><label>Day <input></label></form>");
  const place = { left: "10%", top: "10%", width: "10rem", height: "4rem" };
  const layers = [...own.scenes.flatMap((scene) => scene.layers), { name: "ask", markup: "ask.html", place }];
  writeFileSync(composer.file, JSON.stringify({ ...own, scenes: [{ ...own.scenes[0], layers }] }));
  await composer.card("ask").waitFor();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Take away" }).click();
  const entries = unzipSync(readFileSync(await (await download).path()));
  expect(Object.keys(entries).sort()).toEqual(["ask.html", "house.json", "low.json"]);
  expect(new TextDecoder().decode(entries["ask.html"])).toContain("<label>Day");
});
