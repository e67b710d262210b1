// Plants faults in a copy of the sources, one at a time, and says which test finds each.
import { spawnSync } from "node:child_process";
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { faults } from "../test/planted-faults.mjs";
import { root } from "./run.mjs";

/** Tests that take less than a minute together. */
const quick = [
  "packages/lumbit/src",
  "packages/composer/src",
  "test/checks",
  "test/chart",
  "packages/cli/test/command",
  "packages/cli/test/proof",
];

const copy = mkdtempSync(join(tmpdir(), "lumbit-mutants-"));
process.on("exit", () => rmSync(copy, { recursive: true, force: true }));
for (const name of ["packages", "test", "scripts", "examples"])
  cpSync(join(root, name), join(copy, name), {
    recursive: true,
    filter: (path) => !path.endsWith("node_modules"),
  });
for (const name of ["package.json", "vitest.config.ts", "tsconfig.json"])
  cpSync(join(root, name), join(copy, name));
// Its own packages are the copies; all others are those that are installed.
mkdirSync(join(copy, "node_modules/@lumbit"), { recursive: true });
for (const name of readdirSync(join(root, "node_modules")))
  if (!["lumbit", "@lumbit"].includes(name))
    symlinkSync(join(root, "node_modules", name), join(copy, "node_modules", name));
symlinkSync(join(copy, "packages/lumbit"), join(copy, "node_modules/lumbit"));
for (const name of ["cli", "composer"])
  symlinkSync(join(copy, "packages", name), join(copy, "node_modules/@lumbit", name));

for (const name of readdirSync(join(root, "packages"))) {
  const own = join(root, "packages", name, "node_modules");
  if (existsSync(own)) symlinkSync(own, join(copy, "packages", name, "node_modules"));
}

const environment = {
  ...process.env,
  LUMBIT_PAGES: "150",
  LUMBIT_UNTYPED: "1",
  NO_COLOR: "1",
  FORCE_COLOR: "",
};
const run = (...command) =>
  spawnSync("npx", command, { cwd: copy, env: environment, encoding: "utf8", maxBuffer: 2 ** 26 });

/** Builds the package of a file; what is wrong with it, or nothing. */
function build(file) {
  const { status, stderr } = spawnSync("npm", ["run", "build", "--silent"], {
    cwd: join(copy, ...file.split("/").slice(0, 2)),
    env: environment,
    encoding: "utf8",
  });
  return status === 0 ? undefined : `the build: ${stderr.trim().split("\n").at(-1)}`;
}

/** The first test that fails, or nothing. */
function failing(project, files) {
  const report = join(copy, "report.json");
  rmSync(report, { force: true });
  const where = ["--reporter=json", `--outputFile=${report}`];
  run("vitest", "run", "--project", project, "--bail=1", "--retry=0", ...where, ...files);
  const { testResults = [] } = JSON.parse(readFileSync(report, "utf8"));
  for (const { name, assertionResults, message } of testResults) {
    // What is still running when another test fails is broken off.
    const test = assertionResults.find(
      ({ status, failureMessages = [] }) =>
        status === "failed" &&
        failureMessages.some(
          (text) => !/abort|cancel|bail|worker|rpc|closed|closing|terminat/i.test(text.split("\n")[0]),
        ),
    );
    if (test) return `${name.replace(`${copy}/`, "")} > ${test.title}`;
    if (assertionResults.length === 0 && message)
      return `${name.replace(`${copy}/`, "")}: ${message.split("\n")[0]}`;
  }
  return undefined;
}

const wanted = process.argv.slice(2);
const chosen =
  wanted.length > 0 ? faults.filter(({ name }) => wanted.some((part) => name.includes(part))) : faults;
for (const part of ["packages/lumbit", "packages/cli"]) build(part);
const clean = failing("plain", quick);
if (clean) throw new Error(`without any fault a test fails already: ${clean}`);
let [found, quickly] = [0, 0];
for (const { name, file, from, to, browser } of chosen) {
  const path = join(copy, file);
  const text = readFileSync(path, "utf8");
  if (text.split(from).length !== 2) throw new Error(`${name}: "${from}" is not once in ${file}`);
  writeFileSync(
    path,
    text.replace(from, () => to),
  );
  const by = build(file) ?? (browser ? failing("browsers", browser) : failing("plain", quick));
  if (by) found++;
  if (by && !browser) quickly++;
  console.log(`${by ? "found" : "NOT FOUND"}  ${name}\n           ${by ?? file}`);
  writeFileSync(path, text);
  build(file);
}
console.log(
  `${found} of ${chosen.length} faults found, ${quickly} of them by tests that take less than a minute together`,
);
process.exit(found === chosen.length ? 0 : 1);
