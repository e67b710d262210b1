// Installs, builds and opens the demo in the composer.
import { build, install, root, run } from "./run.mjs";

install();
build();
run(
  process.execPath,
  `${root}/packages/cli/dist/lumbit.mjs`,
  "compose",
  "examples/tidehouse/page.json",
  ...process.argv.slice(2),
);
