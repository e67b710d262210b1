import { execFileSync, spawnSync } from "node:child_process";
import { existsSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { root, temporaryFolder } from "../../../test/command.ts";

test("the packed packages install into an empty folder and npx lumbit runs there", () => {
  const folder = temporaryFolder();
  const npm = (...args: string[]) =>
    execFileSync("npm", args, { cwd: folder, stdio: "pipe", encoding: "utf8" });
  for (const workspace of ["packages/lumbit", "packages/composer", "packages/cli"])
    npm("pack", join(root, workspace), "--silent");
  const archives = readdirSync(folder).filter((name) => name.endsWith(".tgz"));
  expect(archives).toHaveLength(3);
  writeFileSync(join(folder, "package.json"), "{}");
  npm("install", "--no-audit", "--no-fund", "--prefer-offline", ...archives.map((name) => `./${name}`));

  const lumbit = (...args: string[]) =>
    spawnSync("npx", ["--no", "lumbit", ...args], { cwd: folder, encoding: "utf8" });
  expect(lumbit("new", "mine")).toMatchObject({ status: 0 });
  expect(lumbit("build", "mine/page.json", "-o", "site")).toMatchObject({ status: 0 });
  expect(existsSync(join(folder, "site/index.html"))).toBe(true);

  writeFileSync(
    join(folder, "use.mjs"),
    `import { speedAt } from "lumbit/core";
import { readPage } from "lumbit/document";
import { pageCss } from "lumbit/static";
import schema from "lumbit/schema.json" with { type: "json" };
console.log(speedAt(1), readPage("{}").faults.length > 0, typeof pageCss, schema.title);`,
  );
  const { stdout } = spawnSync(process.execPath, ["use.mjs"], { cwd: folder, encoding: "utf8" });
  expect(stdout.trim()).toBe("0.5 true function Lumbit page file");
});
