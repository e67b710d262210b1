import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { parseHTML } from "linkedom";
import { beforeAll, expect, test } from "vitest";
import { lumbit, root, temporaryFolder } from "../../../test/command.ts";

const demo = join(root, "examples/tidehouse/page.json");
const sizes = ["1280x800", "390x844"];
const folder = temporaryFolder();
let sheet: Document;

beforeAll(async () => {
  const { stdout, stderr } = await lumbit(
    ["hand-over", demo, "-o", "sheet.html", "--scene", "tides"],
    folder,
  );
  expect(stderr).toBe("");
  expect(stdout).toMatch(/^sheet\.html: 1 scene, \d+ kB\n$/);
  sheet = parseHTML(readFileSync(join(folder, "sheet.html"), "utf8")).document;
});

const rows = () => [...sheet.querySelectorAll("article")];
const nameOf = (row: Element) => row.querySelector("h3")?.firstChild?.textContent ?? "";

test("the boxes of a hand-over sheet are where measure says that layers stand when their scene settles", async () => {
  for (const [index, size] of sizes.entries()) {
    const caption = sheet.querySelectorAll("figcaption")[index]?.textContent ?? "";
    const settles = Number(/settles at (\d+(?:\.\d+)?)/.exec(caption)?.[1]);
    const { stdout } = await lumbit([
      "measure",
      demo,
      "--viewport",
      size,
      "--scroll",
      String(settles),
      "--json",
    ]);
    const scene = JSON.parse(stdout).poses[0].scenes.find(({ name }: { name: string }) => name === "tides");
    expect(rows().map(nameOf)).toEqual(scene.layers.map(({ name }: { name: string }) => name));
    for (const [at, row] of rows().entries()) {
      const [left = 0, top = 0, width = 0, height = 0] = [
        ...(row.querySelectorAll("tr")[index + 1]?.querySelectorAll("td") ?? []),
      ]
        .slice(0, 4)
        .map(({ textContent }) => Number(textContent));
      const over = (row.querySelectorAll("tr")[index + 1]?.lastElementChild?.textContent ?? "")
        .split(" / ")
        .map(Number);
      const [above = 0, , below = 0] = over.length === 4 ? over : [0, 0, 0, 0];
      const pose = scene.layers[at];
      // A picture in a pane reaches a px farther than its overscan on every side.
      const edge = over.length === 4 ? 1 : 0;
      const off = [
        pose.left + edge - left,
        pose.top - scene.top + above + edge - top,
        pose.width - 2 * edge - width,
        pose.height - above - below - 2 * edge - height,
      ];
      expect(Math.max(...off.map(Math.abs)), `${nameOf(row)} at ${size}: ${off}`).toBeLessThan(0.3);
    }
  }
});

test("it says depths, kinds and places in CSS, and shows each picture", () => {
  const neap = rows().find((row) => nameOf(row) === "neap");
  expect(neap?.querySelector("p")?.textContent).toBe("depth 0.6 · speed 0.625 · order 62500");
  expect(neap?.querySelector("small")?.textContent).toBe("art/neap.webp");
  expect(neap?.querySelector("pre")?.textContent).toContain(
    "left: 8cqw; width: 38cqw; top: 14vh; height: 82vh;",
  );
  expect(neap?.querySelector(".picture i")?.getAttribute("style")).toContain("var(--p");
  expect(sheet.toString()).not.toMatch(/--lumbit-|data-lumbit/);
});

test("what is no sheet, no scene, or there already is said, and nothing is written", async () => {
  const said = async (...args: string[]) => (await lumbit(["hand-over", demo, ...args], folder)).stderr;
  expect(await said("-o", "sheet.docx")).toContain("end its name with .html or .pdf");
  expect(await said("-o", "other.html", "--scene", "quay")).toContain('there is no scene "quay"');
  expect(existsSync(join(folder, "other.html"))).toBe(false);
  expect(await said("-o", "sheet.html")).toContain("is there already");
});

test("as PDF it is a document", async () => {
  const { stdout } = await lumbit(["hand-over", demo, "-o", "sheet.pdf", "--scene", "tides"], folder);
  expect(stdout).toMatch(/^sheet\.pdf: 1 scene/);
  expect(readFileSync(join(folder, "sheet.pdf")).subarray(0, 5).toString()).toBe("%PDF-");
});
