// Installs, makes sure of the browsers, builds, lints, checks the types and runs all tests.

import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureBrowsers } from "./browsers.mjs";
import { build, install, root, run } from "./run.mjs";

install();
ensureBrowsers();
build();
run("npx", "biome", "check", "--error-on-warnings");
run("npx", "tsc", "-p", "tsconfig.json");

const report = join(tmpdir(), `lumbit-tests-${process.pid}.json`);
const { status } = spawnSync(
  "npx",
  ["vitest", "run", "--reporter=default", "--reporter=json", `--outputFile.json=${report}`],
  { cwd: root, stdio: "inherit" },
);
const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, "utf8"));
const failed = numFailedTests === 0 && status !== 0 ? Math.max(1, numFailedTestSuites) : numFailedTests;
console.log(`${numPassedTests} passed, ${failed} failed`);
process.exit(status ?? 1);
