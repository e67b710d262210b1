// Installs, builds and opens the demo on a loopback address.
import { build, install, root, run } from "./run.mjs";

install();
build();
run(
  process.execPath,
  `${root}/packages/cli/dist/lumbit.mjs`,
  "preview",
  "examples/tidehouse/page.json",
  ...process.argv.slice(2),
);
