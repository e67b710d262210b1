// Writes LICENCES.md of the packages that bring others along in their built files. Needs a build.
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./run.mjs";

/** The packages that source maps of built files name. */
function broughtIn(folder) {
  const maps = readdirSync(folder, { recursive: true }).filter((file) => String(file).endsWith(".map"));
  const sources = maps.flatMap(
    (file) => JSON.parse(readFileSync(join(folder, String(file)), "utf8")).sources,
  );
  const names = sources.flatMap((source) => {
    const [, name] = /.*node_modules\/((?:@[^/]+\/)?[^/]+)\//.exec(source ?? "") ?? [];
    return name ? [name] : [];
  });
  return [...new Set(names)].sort();
}

function licenceOf(name) {
  const folder = join(root, "node_modules", name);
  const { version, license } = JSON.parse(readFileSync(join(folder, "package.json"), "utf8"));
  const file = readdirSync(folder).find((one) => /^licen[cs]e/i.test(one));
  const text = file ? readFileSync(join(folder, file), "utf8").trim() : `Licence: ${license}`;
  return `## ${name} ${version} (${license})\n\n${text.replace(/^/gm, "    ").trimEnd()}\n`;
}

for (const name of ["lumbit", "composer", "cli"]) {
  const folder = join(root, "packages", name);
  if (!existsSync(join(folder, "dist"))) continue;
  const packages = broughtIn(join(folder, "dist"));
  writeFileSync(
    join(folder, "LICENCES.md"),
    `# What is in the built files besides Lumbit\n\n${packages.map(licenceOf).join("\n")}`,
  );
}
