import { readFileSync } from "node:fs";
import { join } from "node:path";
import { publint } from "publint";
import { formatMessage } from "publint/utils";
import { expect, test } from "vitest";
import { root } from "../../../test/command.ts";

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
