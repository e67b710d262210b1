import { chmodSync, cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { root, temporaryFolder } from "../../../test/command.ts";
import { PageFolder } from "../src/compose/page-folder.ts";

/** What the composer's server reads and writes: a page file and what it names, nothing else. */
const started = async () => {
  const home = join(temporaryFolder(), "page");
  cpSync(join(root, "packages/cli/starter"), home, { recursive: true });
  const file = join(home, "page.json");
  const folder = new PageFolder(file);
  return { file, folder, kept: await folder.open("files/") };
};

test("a page comes with the sizes and addresses of the files that it names, and no other file comes", async () => {
  const { folder, kept } = await started();
  const paths = Object.keys(kept.assets.pictures);
  expect(paths.length).toBeGreaterThan(3);
  for (const path of paths) {
    expect(kept.assets.pictures[path]).toMatchObject({ url: `files/${path}`, width: expect.any(Number) });
    expect(folder.asset(path)?.length).toBeGreaterThan(0);
  }
  for (const path of ["page.json", "../page.json", "", "__proto__"])
    expect(folder.asset(path), path).toBe(undefined);
});

test("a text is written over its own version only, and nothing is left beside it", async () => {
  const { file, folder, kept } = await started();
  const before = readdirSync(dirname(file)).sort();
  const version = await folder.save(`${kept.text} `, kept.version);
  expect(readFileSync(file, "utf8")).toBe(`${kept.text} `);
  expect(version).not.toBe(kept.version);
  // Another program was here meanwhile.
  writeFileSync(file, "{}");
  expect(await folder.save("mine", String(version))).toBe(undefined);
  expect(readFileSync(file, "utf8")).toBe("{}");
  expect(readdirSync(dirname(file)).sort()).toEqual(before);
});

test("what cannot be written says why, in words, and stays as it was", async () => {
  const { file, folder, kept } = await started();
  rmSync(file);
  await expect(folder.save("mine", kept.version)).rejects.toThrow("page.json is not there any more");
  mkdirSync(file);
  await expect(folder.save("mine", kept.version)).rejects.toThrow("page.json is not there any more");
});

test.runIf(process.getuid?.() !== 0)("a folder without rights is said", async () => {
  const { file, folder, kept } = await started();
  chmodSync(dirname(file), 0o500);
  await expect(folder.save(`${kept.text} `, kept.version)).rejects.toThrow("may not be written to");
  chmodSync(dirname(file), 0o700);
  expect(readFileSync(file, "utf8")).toBe(kept.text);
});
