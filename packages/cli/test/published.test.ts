import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { checkPackage, createPackageFromTarballData } from "@arethetypeswrong/core";
import { publint } from "publint";
import { formatMessage } from "publint/utils";
import { expect, test } from "vitest";
import { loadedBy } from "../../../scripts/loaded.mjs";
import { root, temporaryFolder } from "../../../test/command.ts";

test.each(["lumbit", "composer", "cli", "vite"])(
  "the package %s is published as it should be",
  async (name) => {
    const pkgDir = join(root, "packages", name);
    const pkg = JSON.parse(readFileSync(join(pkgDir, "package.json"), "utf8"));
    const { messages } = await publint({ pkgDir, strict: true });
    expect(messages.map((message) => formatMessage(message, pkg, { color: false }))).toEqual([]);
    for (const part of ["description", "license", "repository", "keywords"])
      expect(pkg[part], part).toBeTruthy();
  },
);

test.each(["lumbit", "cli", "vite"])(
  "the types of %s are those of its modules, however they are found",
  async (name) => {
    const folder = temporaryFolder();
    const packed = execFileSync("npm", ["pack", "--silent", "--pack-destination", folder], {
      cwd: join(root, "packages", name),
      encoding: "utf8",
    });
    const bytes = readFileSync(join(folder, packed.trim().split("\n").at(-1) ?? ""));
    const analysis = await checkPackage(createPackageFromTarballData(new Uint8Array(bytes)));
    const problems = analysis.types === false ? ["no types"] : analysis.problems;
    // All packages are modules alone, for Node and for bundlers; what requires them is Node from 20.19 on, which can.
    const ours = problems.filter((problem) => typeof problem === "string" || !isMeant(problem));
    expect(ours.map((problem) => JSON.stringify(problem))).toEqual([]);
  },
);

const isMeant = (problem: { kind: string; resolutionKind?: string; entrypoint?: string }) =>
  problem.kind === "CJSResolvesToESM" ||
  problem.resolutionKind === "node10" ||
  // Scripts of pages export nothing.
  (problem.kind === "UntypedResolution" && /^\.\/browser\//.test(problem.entrypoint ?? ""));

test("whoever only mounts scenes installs nothing else, and bundlers keep the scripts of pages", () => {
  const pkg = JSON.parse(readFileSync(join(root, "packages/lumbit/package.json"), "utf8"));
  expect(pkg.dependencies).toBeUndefined();
  expect(pkg.sideEffects).toEqual(expect.arrayContaining(["./dist/browser/*.js", "./dist/element.js"]));
  for (const name of ["markup", "scene"]) {
    const script = readFileSync(join(root, `packages/lumbit/dist/browser/${name}.js`), "utf8");
    expect(/(?:^|;)import\b/.test(script), name).toBe(false);
    expect(script.includes("sourceMappingURL"), name).toBe(true);
  }
});

test("pages begin with no more of the library than they need", async () => {
  const attributes = await loadedBy('import { mount } from "lumbit/markup"; mount(document.body);');
  expect(attributes.first).toBeLessThanOrEqual(11_000);
  const later = attributes.later.map(([name]) => name);
  expect(later).toEqual(
    expect.arrayContaining(["more", "scripted", "sway", "cues", "reel", "videos", "events"]),
  );
  const scenes = await loadedBy(
    'import { mount } from "lumbit/scene"; mount(document.body, { scene: globalThis.scene });',
  );
  expect(scenes.first).toBeLessThanOrEqual(14_000);
  expect(scenes.later.map(([name]) => name)).toContain("build");
  expect(scenes.later.map(([name]) => name)).not.toContain("more");
});

test("no two files of the library wait for each other", () => {
  const folder = join(root, "packages/lumbit/dist");
  const imports = (file: string) =>
    [
      ...readFileSync(join(folder, file), "utf8").matchAll(/^(?:import|export)[^;]*? from "\.\/([^"]+)"/gm),
    ].map(([, other]) => String(other));
  const files = readdirSync(folder).filter((file) => file.endsWith(".js"));
  const reached = new Map(files.map((file) => [file, new Set(imports(file))]));
  for (const through of files)
    for (const others of reached.values())
      if (others.has(through)) for (const other of reached.get(through) ?? []) others.add(other);
  expect(files.filter((file) => reached.get(file)?.has(file))).toEqual([]);
  expect(files.length).toBeGreaterThan(20);
});
