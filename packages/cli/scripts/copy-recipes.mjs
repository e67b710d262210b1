// Puts the recipes into the package, from where `lumbit new --from` copies them. Run by `npm run build`.
import { cpSync, rmSync } from "node:fs";

const to = new URL("../dist/recipes/", import.meta.url);
rmSync(to, { recursive: true, force: true });
cpSync(new URL("../../../examples/recipes/", import.meta.url), to, { recursive: true });
