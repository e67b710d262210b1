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

/** The packages that are installed with one, and those that come with them. */
function installedWith(folder, found = new Set()) {
  const { dependencies = {} } = JSON.parse(readFileSync(join(folder, "package.json"), "utf8"));
  for (const name of Object.keys(dependencies)) {
    const own = join(root, "node_modules", name);
    if (found.has(name) || name.startsWith("@lumbit/") || name === "lumbit" || !existsSync(own)) continue;
    found.add(name);
    installedWith(own, found);
  }
  return [...found].sort();
}

/** A package in a list. */
function lineOf(name) {
  const { version, license } = JSON.parse(
    readFileSync(join(root, "node_modules", name, "package.json"), "utf8"),
  );
  return `- ${name} ${version}: ${license ?? "see its own files"}`;
}

function licenceOf(name) {
  const folder = join(root, "node_modules", name);
  const { version, license } = JSON.parse(readFileSync(join(folder, "package.json"), "utf8"));
  const file = readdirSync(folder).find((one) => /^licen[cs]e/i.test(one));
  const text = file ? readFileSync(join(folder, file), "utf8").trim() : `Licence: ${license}`;
  return `## ${name} ${version} (${license})\n\n${text.replace(/^/gm, "    ").trimEnd()}\n`;
}

for (const name of ["lumbit", "composer", "cli", "vite"]) {
  const folder = join(root, "packages", name);
  if (!existsSync(join(folder, "dist"))) continue;
  const packages = broughtIn(join(folder, "dist"));
  const installed = installedWith(folder).filter((one) => !packages.includes(one));
  const parts = [
    `# What is in the built files besides Lumbit\n\n${packages.map(licenceOf).join("\n")}`,
    ...(installed.length > 0 ? [`# What is installed with it\n\n${installed.map(lineOf).join("\n")}\n`] : []),
  ];
  writeFileSync(join(folder, "LICENCES.md"), parts.join("\n"));
}
