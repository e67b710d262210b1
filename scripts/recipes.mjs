// Installs, builds and opens the gallery of recipes on a loopback address.
import { build, install, run } from "./run.mjs";

install();
build();
run("npm", "run", "dev", "-w", "@lumbit/example-gallery", "--silent", "--", ...process.argv.slice(2));
