import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { allLayers, type Page } from "lumbit/core";
import { isImage } from "lumbit/internal";
import sharp from "sharp";
import { expect, test } from "vitest";
import { root, temporaryFolder } from "../../../test/command.ts";

const demo = join(root, "examples/tidehouse");
const page = JSON.parse(readFileSync(join(demo, "page.json"), "utf8")) as Page;
const size = (path: string) => statSync(join(demo, path)).size;

test("the art is what its script draws, the same on every run", async () => {
  const folder = temporaryFolder();
  const names = ["ticket", "shell", "float", "shafts"];
  const { status, stderr } = spawnSync("node", ["draw/draw.mjs", "--to", folder, ...names], {
    cwd: demo,
    encoding: "utf8",
  });
  expect(stderr).toBe("");
  expect(status).toBe(0);
  expect(readdirSync(join(folder, "art")).toSorted()).toEqual(names.map((name) => `${name}.webp`).toSorted());
  for (const name of names) {
    const [drawn, kept] = await Promise.all(
      [folder, demo].map((home) =>
        sharp(join(home, "art", `${name}.webp`))
          .raw()
          .toBuffer(),
      ),
    );
    if (!drawn || !kept) throw new Error(`${name} is missing`);
    expect(drawn.length, name).toBe(kept.length);
    const difference = drawn.reduce((sum, value, at) => sum + Math.abs(value - (kept[at] as number)), 0);
    expect(difference / kept.length, name).toBeLessThan(0.5);
  }
});

test("the art is light, sharp, all of it used, and with transparency where planes are stacked", async () => {
  const used = page.scenes.flatMap(({ layers }) =>
    allLayers(layers)
      .filter(isImage)
      .map(({ image }) => image),
  );
  expect(
    readdirSync(join(demo, "art"))
      .map((name) => `art/${name}`)
      .toSorted(),
  ).toEqual([...new Set(used)].toSorted());
  const descent = page.scenes[0]?.layers.flatMap((layer) => (layer.image ? [layer.image] : [])) ?? [];
  expect(descent.length).toBeGreaterThanOrEqual(6);
  expect(descent.reduce((sum, path) => sum + size(path), 0)).toBeLessThan(1.5e6);
  expect(used.reduce((sum, path) => sum + size(path), 0)).toBeLessThan(2e6);
  for (const path of descent.slice(1)) {
    const { hasAlpha, width = 0 } = await sharp(join(demo, path)).metadata();
    expect(hasAlpha, path).toBe(true);
    expect(width, path).toBeGreaterThan(1000);
  }
});
