// Installs, makes sure of the browsers, builds, lints, checks the types and runs the tests: of the matrix of engines and cases
// all in Chromium and a third in each of the others, with --whole all of it.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureBrowsers } from "./browsers.mjs";
import { build, install, run } from "./run.mjs";

install();
ensureBrowsers();
build();
run("npx", "biome", "check", "--error-on-warnings");
run("npx", "tsc", "-p", "tsconfig.json");

// Its pictures are made once, and not by every test that builds it.
const demo = mkdtempSync(join(tmpdir(), "lumbit-demo-"));
run(process.execPath, "packages/cli/dist/lumbit.mjs", "build", "examples/tidehouse/page.json", "-o", demo);
rmSync(demo, { recursive: true });

if (process.argv.includes("--whole")) process.env.LUMBIT_WHOLE = "1";
// It closes with how many tests passed and failed (test/reporter.ts).
run("npx", "vitest", "run");
