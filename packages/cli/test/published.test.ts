import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { checkPackage, createPackageFromTarballData } from "@arethetypeswrong/core";
import { publint } from "publint";
import { formatMessage } from "publint/utils";
import { expect, test } from "vitest";
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
