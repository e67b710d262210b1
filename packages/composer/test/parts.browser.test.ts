import { cpSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { root } from "../../../test/command.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** On the recipe of parts and copies. */
const composer = composed((folder) => {
  cpSync(join(root, "examples/recipes/one-part-many"), folder, { recursive: true });
  cpSync(join(root, "examples/tidehouse/fonts"), join(folder, "fonts"), { recursive: true });
  return join(folder, "page.json");
});

interface File {
  parts: Record<string, unknown>;
  scenes: { layers: Record<string, unknown>[] }[];
}
const file = (): File => JSON.parse(readFileSync(composer.file, "utf8"));
const marks = () => file().scenes[0]?.layers[1];

test("each copy has a card; what is changed of one is a setting of its own in the file, and undo takes it back", async () => {
  const { page, card } = composer;
  await stagesShow(composer);
  const [before, text] = [file(), composer.text()];
  for (const number of [1, 2, 3, 4, 5]) await card(`mark-${number}`).waitFor();
  await card("mark-3").click();
  await page.getByRole("textbox", { name: "depth" }).fill("4");
  await page.keyboard.press("Enter");
  await poll(() => marks()).toMatchObject({ part: "mark", copies: { each: [{}, {}, { depth: 4 }, {}, {}] } });
  expect(file().parts).toEqual(before.parts);
  await page.getByRole("button", { name: /^Undo mark-3/ }).click();
  await poll(() => composer.text()).toBe(text);
  await card("mark-2").click();
  await page.keyboard.press("Delete");
  await poll(() => file().scenes[0]?.layers.map(({ name }) => name)).toEqual([
    "title",
    "mark-1",
    "mark-3",
    "mark-4",
    "mark-5",
  ]);
  expect(file().parts).toEqual(before.parts);
});
