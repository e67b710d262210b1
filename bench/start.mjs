// How long the command takes to start, as a ratio to Node that does nothing, in the same run. Needs a build.
import { spawnSync } from "node:child_process";
import { root } from "../scripts/run.mjs";

const program = `${root}/packages/cli/bin/lumbit.mjs`;
const runs = 15;

/** The median of several starts, in ms. */
function started(...args) {
  const times = Array.from({ length: runs }, () => {
    const before = performance.now();
    spawnSync(process.execPath, args);
    return performance.now() - before;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

const nothing = started("-e", "0");
console.log(`node -e 0: ${nothing.toFixed(0)} ms`);
for (const args of [["--version"], ["--help"], ["check", "--help"]])
  console.log(`lumbit ${args.join(" ")}: ${(started(program, ...args) / nothing).toFixed(2)} times that`);
