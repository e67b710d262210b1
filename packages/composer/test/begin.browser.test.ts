import { spawnSync } from "node:child_process";
import { chmodSync, existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import type { Page as PageFile } from "lumbit/core";
import { expect, test } from "vitest";
import { lumbit, root } from "../../../test/command.ts";
import { composed, poll, stagesShow } from "./compose.ts";

/** Beginning in a folder in which there is no page yet. */
const composer = composed(() => undefined);
const folder = () => dirname(composer.file);
const art = (name: string) => join(root, "examples/tidehouse/art", `${name}.webp`);
const choose = async (...names: string[]) => {
  const { page } = composer;
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: /pictures …$/ }).click();
  await (await chooser).setFiles(names);
};
const layers = () => composer.onDisk().scenes[0]?.layers ?? [];

test("a recipe is made one's own, in a folder of its name", async () => {
  const { page } = composer;
  await page.getByRole("button", { name: "A recipe, to make it yours …" }).click();
  await page.getByRole("menuitem", { name: "Titles that cross" }).click();
  await stagesShow(composer);
  await page.getByRole("option", { name: /^above/ }).waitFor();
  const home = join(folder(), "crossing-titles");
  expect(readdirSync(home).sort()).toEqual(["art", "fonts", "lumbit-1.schema.json", "page.json"]);
  expect(readdirSync(join(home, "art"))).toEqual(["helmet.webp"]);
});

test("a drawing in layers is taken apart; what could not be brought along is said, and so is one that is broken", async () => {
  const { page } = composer;
  await choose(join(root, "package.json"));
  await page.getByRole("alert").filter({ hasText: "No picture: package.json" }).waitFor();
  const broken = join(folder(), "broken.ora");
  writeFileSync(broken, "PK and no more");
  await choose(broken);
  await page.getByRole("alert").filter({ hasText: "broken.ora" }).waitFor();
  expect(readdirSync(folder())).toEqual(["broken.ora"]);
  const drawing = join(folder(), "shore.ora");
  const script = join(root, "examples/tidehouse/draw/drawing.mjs");
  expect(spawnSync(process.execPath, [script, drawing]).status).toBe(0);
  await choose(drawing);
  await stagesShow(composer);
  await page.getByRole("option", { name: /^far-reef/ }).waitFor();
  const made = JSON.parse(readFileSync(join(folder(), "shore/page.json"), "utf8"));
  expect(made.scenes[0].layers.map(({ name }: { name: string }) => name)).toEqual([
    ...["open-water", "far-reef", "school", "mid-kelp", "near-kelp-left", "near-kelp-right"],
  ]);
});

test("a vector drawing may be a picture, or its layers", async () => {
  const { page } = composer;
  const drawing = join(folder(), "two planes.svg");
  writeFileSync(
    drawing,
    `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="300"><g id="sky"><rect width="400" height="300" fill="#246"/></g><g id="hill"><circle cx="200" cy="300" r="120" fill="#021"/></g></svg>`,
  );
  await choose(drawing);
  await page.getByRole("button", { name: "Take it apart into its layers" }).click();
  await stagesShow(composer);
  await page.getByRole("option", { name: /^hill/ }).waitFor();
  expect(readdirSync(join(folder(), "two-planes/art")).sort()).toEqual(["hill.svg", "sky.svg"]);
});

test("five pictures become a moving scene, the farthest first, in the order that they were brought into", async () => {
  const { page } = composer;
  await choose(...["open-water", "far-kelp", "far-reef", "school", "sea-floor"].map(art));
  await page.getByRole("button", { name: "far-reef.webp farther" }).click();
  await page.getByRole("button", { name: "Make a scene of these 5" }).click();
  await stagesShow(composer);
  await poll(() => existsSync(composer.file) && layers().length).toBe(5);
  expect(layers().map(({ name }) => name)).toEqual([
    "open-water",
    "far-reef",
    "far-kelp",
    "school",
    "sea-floor",
  ]);
  expect(layers().map(({ depth }) => depth)).toEqual(["horizon", 3, 1, 0.33, 0]);
  expect(readFileSync(join(folder(), "art/school.webp")).equals(readFileSync(art("school")))).toBe(true);
  for (const frame of composer.stages()) await frame.waitForSelector('[data-lumbit-layer="school"]');
  // New words are read where they stand: light ones on what is dark there.
  await composer.atRest();
  await page.getByRole("button", { name: "Add a layer" }).click();
  await page.getByRole("menuitem", { name: "Words" }).click();
  await poll(() => composer.layer("words")?.color).toBe("#f6f2ea");
  await page.getByRole("button", { name: "Undo words: new" }).click();
  await page.getByRole("button", { name: /^Undo scene of 5/ }).click();
  await poll(() => layers().length).toBe(0);
  await page.getByRole("button", { name: /^Redo scene of 5/ }).click();
  await poll(() => layers().length).toBe(5);
  // On no screen is anything wrong with it.
  expect(await lumbit(["check", "page.json"], folder())).toMatchObject({ status: 0 });
  // The same page typed by hand is the same site.
  const layer = (name: string, depth: number | "horizon", place?: object) => ({
    ...{ name, image: `art/${name}.webp`, alt: "", depth },
    ...(place && { place }),
  });
  const typed = {
    ...{ format: "lumbit/1", title: composer.onDisk().title, lang: "en" },
    scenes: [
      {
        name: "first",
        height: "130vh",
        layers: layers().map(({ name, depth, place }) => layer(name, depth ?? 0, place)),
      },
    ],
  };
  writeFileSync(join(folder(), "typed.json"), JSON.stringify(typed));
  for (const name of ["page", "typed"])
    await lumbit(["build", `${name}.json`, "-o", `${name}-site`], folder());
  const files = (name: string) =>
    readdirSync(join(folder(), `${name}-site`), { recursive: true })
      .map(String)
      .sort();
  expect(files("page")).toEqual(files("typed"));
  for (const file of files("page").filter((file) => /\.\w+$/.test(file)))
    expect(
      readFileSync(join(folder(), "page-site", file)).equals(
        readFileSync(join(folder(), "typed-site", file)),
      ),
    ).toBe(true);
});

test("a page that is there is gone on with", async () => {
  const { page } = composer;
  writeFileSync(join(folder(), "notes.json"), '{ "no": "page" }');
  writeFileSync(
    join(folder(), "pier.json"),
    '{ "format": "lumbit/1", "title": "Pier", "lang": "en", "scenes": [{ "name": "pier", "layers": [] }] }',
  );
  await page.reload();
  await page.getByRole("button", { name: "Go on with pier.json" }).click();
  await stagesShow(composer);
  expect(await page.getByRole("option", { name: "pier" }).count()).toBe(1);
});

test("an empty page is a file that a person could have written", async () => {
  const { page } = composer;
  await page.getByRole("button", { name: "An empty page" }).click();
  await stagesShow(composer);
  // The button that was pressed is gone; the keyboard goes on at the large stage.
  await poll(() => page.evaluate(() => document.activeElement?.getAttribute("aria-label"))).toMatch(
    /^Layers on the/,
  );
  const made = JSON.parse(readFileSync(composer.file, "utf8")) as PageFile;
  expect(made).toMatchObject({ format: "lumbit/1", lang: "en", scenes: [{ name: "first", layers: [] }] });
  expect(await page.getByText("No layers yet").count()).toBe(1);
  // Words and shapes come into the middle of what is shown.
  await composer.atRest();
  for (const what of ["Words", "An ellipse"]) {
    await page.getByRole("button", { name: "Add a layer" }).click();
    await page.getByRole("menuitem", { name: what }).click();
  }
  await poll(() => layers().map(({ name, as, shape }) => [name, as ?? shape].join())).toEqual([
    "words,h1",
    "ellipse,ellipse",
  ]);
  expect(composer.layer("words")?.color).toBe("#262320");
  const stage = await composer.large().boundingBox();
  const ellipse = await composer.boxOn(0, "ellipse");
  expect(ellipse.y + ellipse.height / 2).toBeCloseTo((stage?.y ?? 0) + (stage?.height ?? 0) / 2, 0);
});

test("the demo is copied", async () => {
  await composer.page.getByRole("button", { name: /copy of the demo/ }).click();
  await stagesShow(composer);
  expect(readdirSync(join(folder(), "tidehouse")).sort()).toEqual([
    "art",
    "fonts",
    "lumbit-1.schema.json",
    "page.json",
  ]);
  expect(readFileSync(join(folder(), "tidehouse/page.json"), "utf8")).toBe(
    readFileSync(join(root, "examples/tidehouse/page.json"), "utf8"),
  );
});

test("what is no picture, and a folder that may not be written to, are said", async () => {
  const { page } = composer;
  const notes = join(folder(), "notes.txt");
  writeFileSync(notes, "no picture");
  await choose(notes);
  await poll(() => page.getByRole("alert").textContent()).toContain("notes.txt");
  // Whoever is allowed everything can write anyway.
  if (process.getuid?.() === 0) return;
  chmodSync(folder(), 0o500);
  await page.getByRole("button", { name: "An empty page" }).click();
  await poll(() => page.getByRole("alert").textContent()).toContain("may not be written");
  chmodSync(folder(), 0o700);
});
