import { chmodSync, cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { readPage } from "lumbit/document";
import { expect, test } from "vitest";
import { root, temporaryFolder } from "../../../test/command.ts";
import { beginningIn, pageToBegin } from "../src/compose/beginning.ts";
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

test("what the page shares with others comes with it, and its files; it begins with no page", async () => {
  const { file, folder, kept } = await started();
  const house = {
    format: "lumbit/1",
    page: { backdrop: { image: "art/sky.svg", alt: "" }, header: { text: "Mill" } },
  };
  const page = { ...JSON.parse(kept.text), shared: "house.json", page: { color: "#fff" }, scenes: [] };
  writeFileSync(file, JSON.stringify(page));
  expect((await folder.open("files/")).shared).toBe(undefined);
  expect(folder.files).toContain(join(dirname(file), "house.json"));
  writeFileSync(join(dirname(file), "house.json"), JSON.stringify(house));
  const { shared, assets } = await folder.open("files/");
  expect(shared).toEqual({ file: "house.json", text: JSON.stringify(house) });
  expect(Object.keys(assets.pictures)).toEqual(["art/sky.svg"]);
  expect((await beginningIn(dirname(file))).pages).toEqual(["page.json"]);
  for (const outside of ["../page.json", "art/sky.svg", "nowhere.json", "", "/etc/passwd"])
    expect(await folder.shared(outside), outside).toBe(undefined);
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

test("pictures and fonts come in under names that are free, beside those that are there, and nothing else does", async () => {
  const { file, folder } = await started();
  const picture = readFileSync(join(root, "examples/tidehouse/art/star.webp"));
  const other = readFileSync(join(root, "examples/tidehouse/art/shell.webp"));
  const font = readFileSync(join(root, "examples/tidehouse/fonts/figtree.woff2"));
  const add = async (name: string, bytes: Buffer) => (await folder.add(name, bytes, "files/")).path;
  // What a file says it is decides nothing, and no name leads out of the folder.
  expect(await add("../../Old Pier (1).exe", picture)).toBe("art/Old-Pier-1.webp");
  expect(await add("Old-Pier-1.webp", other)).toBe("art/Old-Pier-1-2.webp");
  expect(await add("Old-Pier-1.webp", picture)).toBe("art/Old-Pier-1.webp");
  expect(await add("…", picture)).toBe("art/picture.webp");
  expect(await add("figtree.woff2", font)).toBe("fonts/figtree.woff2");
  for (const [name, bytes] of [
    ["notes.txt", Buffer.from("no picture")],
    ["page.woff2", Buffer.from("no font")],
  ] as const)
    await expect(folder.add(name, bytes, "files/")).rejects.toThrow(`"${name}" is no picture`);
  expect(folder.asset("art/Old-Pier-1.webp")?.equals(picture)).toBe(true);
  expect(readdirSync(join(dirname(file), "..")).sort()).toEqual(["page"]);
});

test("files that are missing, no pictures, or lie elsewhere are said; a page that is no JSON names none", async () => {
  const { file, folder } = await started();
  const layer = (image: string) => ({ name: "a", image, alt: "" });
  writeFileSync(join(dirname(file), "notes.webp"), "no picture");
  const layers = ["gone.webp", "notes.webp", "../outside.webp"].map(layer);
  writeFileSync(file, JSON.stringify({ scenes: [{ layers }] }));
  const { missing, assets } = await folder.open("files/");
  expect(missing.map((words) => /"([^"]+)"/.exec(words)?.[1]).sort()).toEqual([
    ...["../outside.webp", "gone.webp", "notes.webp"],
  ]);
  expect(assets.pictures).toEqual({});
  writeFileSync(file, "{ not yet");
  expect((await folder.open("files/")).missing).toEqual([]);
});

test("a folder begins with what is in it, an empty page or a copy of the demo, and writes over nothing", async () => {
  const home = temporaryFolder();
  writeFileSync(join(home, "page.json"), '{ "format": "lumbit/1" }');
  writeFileSync(join(home, "notes.json"), "{}");
  expect((await beginningIn(home)).pages).toEqual(["page.json"]);
  const empty = await pageToBegin(home, { kind: "empty", title: 'Low "water"' });
  expect(empty).toBe(join(home, "page-2.json"));
  expect(readPage(readFileSync(empty, "utf8")).faults).toEqual([]);
  expect(await pageToBegin(home, { kind: "page", name: "page.json" })).toBe(join(home, "page.json"));
  await expect(pageToBegin(home, { kind: "page", name: "../page.json" })).rejects.toThrow(
    "there is no page file",
  );
  expect(await pageToBegin(home, { kind: "demo" })).toBe(join(home, "tidehouse/page.json"));
  expect(await pageToBegin(home, { kind: "demo" })).toBe(join(home, "tidehouse-2/page.json"));
});
