// Installs, makes sure of the browsers, builds, lints, checks the types and runs all tests.
import { ensureBrowsers } from "./browsers.mjs";
import { build, install, run } from "./run.mjs";

install();
ensureBrowsers();
build();
run("npx", "biome", "check", "--error-on-warnings");
run("npx", "tsc", "-p", "tsconfig.json");

// It closes with how many tests passed and failed (test/reporter.ts).
run("npx", "vitest", "run");
