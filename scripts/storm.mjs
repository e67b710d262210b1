// Random and hostile input at every door, for as long as told: npm run storm [-- seconds [seed]]. A minute by default. What
// fails is written down as a page file small enough to read.
import { spawnSync } from "node:child_process";
import { root } from "./run.mjs";

const [seconds = "60", seed = String(Math.floor(Math.random() * 2 ** 31))] = process.argv.slice(2);
console.log(`storm of ${seconds} s, seed ${seed}`);
const { status } = spawnSync("npx", ["vitest", "run", "test/storm", "--retry=0"], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, LUMBIT_STORM: seconds, LUMBIT_SEED: seed },
});
process.exit(status ?? 1);
