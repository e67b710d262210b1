import { cpSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { accessibilityFaults } from "../../../test/chromium.ts";
import { root } from "../../../test/command.ts";
import { composed, poll } from "./compose.ts";

/** A reef that ends inside of the view, and words that cannot be read on a telephone. */
const composer = composed((folder) => {
  cpSync(join(root, "examples/tidehouse/art/far-reef.webp"), join(folder, "reef.webp"));
  const page = {
    ...{ format: "lumbit/1", title: "Mill race", lang: "en", page: { background: "#04222e" } },
    scenes: [
      {
        ...{ name: "race", height: "120vh" },
        layers: [
          {
            ...{ name: "reef", image: "reef.webp", alt: "", depth: 0.4 },
            place: { left: "4%", width: "106%", top: "50vh", height: "70vh" },
          },
        ],
      },
      {
        ...{ name: "sign", height: "150vh" },
        layers: [
          {
            ...{ name: "notice", text: "Mind the wheel.", as: "h1", color: "#f4fbff", fontSize: "60px" },
            place: { left: "10%", top: "60vh" },
            rules: [{ media: "(max-width: 600px)", color: "#06303c" }],
          },
        ],
      },
    ],
  };
  const file = join(folder, "page.json");
  writeFileSync(file, JSON.stringify(page, null, 2));
  return file;
});

const panel = () => composer.page.getByRole("complementary", { name: "Findings" });
const finding = (layer: string) =>
  panel()
    .getByRole("listitem")
    .filter({ has: composer.page.getByRole("button", { name: layer, exact: true }) });
/** How many findings the stages have, the large one first. */
const counts = () => composer.page.locator("figcaption .count").allTextContents();
/** Judging takes what nobody else wants of the machine: beside other tests that is little. */
const judged = () => expect.poll(counts, { timeout: 50_000 });
const left = () => Object(composer.layer("reef")).place?.left;
const opened = async () => {
  await composer.page
    .getByRole("button", { name: /^\d findings$/ })
    .first()
    .click();
  await poll(() => finding("reef").count()).toBe(1);
};

test("each stage says how many findings it has, and the list goes to where one holds", async () => {
  const { page, stages } = composer;
  await judged().toEqual(["1 finding", "2 findings"]);
  await opened();
  await poll(() => finding("notice").textContent()).toContain("390 × 844");
  expect(await accessibilityFaults(page)).toEqual([]);
  // Where it holds is no moment of the laptop: the telephone becomes the large stage.
  await finding("notice").getByRole("button", { name: "notice" }).click();
  const large = () =>
    page
      .locator("iframe")
      .first()
      .evaluate(({ clientWidth }) => clientWidth);
  await poll(large).toBe(390);
  await poll(async () => {
    const seen = await Promise.all(
      stages().map((stage) =>
        stage.evaluate(() => {
          const { top = -1 } =
            document.querySelector("[data-lumbit-layer='notice']")?.getBoundingClientRect() ?? {};
          return top > 0 && top < innerHeight;
        }),
      ),
    );
    return seen;
  }).toEqual([true, true]);
  // What it is about is marked on the stage on which it holds, and beside the strip.
  await poll(() => page.locator(".overlay .mark").count()).toBe(1);
  await poll(() => page.locator(".strip .mark").count()).toBe(2);
  await panel().getByRole("button", { name: "Close" }).click();
  await page.locator(".overlay .mark").click();
  await poll(() => panel().count()).toBe(1);
});

test("what mends a finding is seen before it is taken, is one step, and leaves nothing to be found", async () => {
  const { page, boxOn, text } = composer;
  await judged().toEqual(["1 finding", "2 findings"]);
  await opened();
  const before = text();
  const x = async () => (await boxOn(0, "reef")).x;
  const stood = await x();
  const mend = finding("reef").getByRole("button", { name: "Mend it" });
  await mend.hover();
  await poll(async () => (await x()) < stood - 5).toBe(true);
  expect(text()).toBe(before);
  await page.mouse.move(640, 700);
  await poll(x).toBeCloseTo(stood, 1);
  // From the keyboard too; and what is done meanwhile is done to the page as it is.
  await mend.focus();
  await poll(async () => (await x()) < stood - 5).toBe(true);
  await page.keyboard.press("Enter");
  await poll(left).not.toBe("4%");
  const mended = left();
  await composer.saved();
  await judged().toEqual(["0 findings", "1 finding"]);
  await page.keyboard.press("Control+z");
  await poll(text).toBe(before);
  await page.keyboard.press("Control+y");
  await poll(left).toBe(mended);
});

test("what is only looked at is no part of what is done next", async () => {
  const { page } = composer;
  await judged().toEqual(["1 finding", "2 findings"]);
  await opened();
  await composer.card("reef").click();
  await finding("reef").getByRole("button", { name: "Mend it" }).focus();
  await page.keyboard.press("Control+d");
  await poll(() => composer.onDisk().scenes[0]?.layers.length).toBe(2);
  expect(
    composer.onDisk().scenes[0]?.layers.map((layer) => (layer as { place: { left: string } }).place.left),
  ).toEqual(["4%", "4%"]);
});

test("a page is judged again when it is at rest", async () => {
  await judged().toEqual(["1 finding", "2 findings"]);
  writeFileSync(composer.file, composer.text().replace('"left": "4%"', '"left": "-4%"'));
  await judged().toEqual(["0 findings", "1 finding"]);
});

test("what is no screen is said, and nobody without the token has the page judged", async () => {
  const { origin, hash } = new URL(composer.url);
  const ask = (token: string, width: unknown) =>
    fetch(`${origin}/api/findings`, {
      method: "POST",
      headers: { authorization: `Bearer ${token}` },
      body: JSON.stringify({ screens: [{ width, height: 800 }], usual: false }),
    });
  expect((await ask("0", 1280)).status).toBe(401);
  const answer = await ask(hash.slice(1), "--fix");
  expect([answer.status, await answer.text()]).toEqual([
    500,
    expect.stringContaining("A viewport is WIDTHxHEIGHT in px"),
  ]);
});
