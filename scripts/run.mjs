import { spawnSync } from "node:child_process";
import { existsSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));

/** Runs a command in the repository's root and ends this process when it fails. */
export function run(command, ...args) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: "inherit" });
  if (error) throw error;
  if (status !== 0) process.exit(status ?? 1);
}

/** Installs what package-lock.json names, unless that is installed already. */
export function install() {
  const installed = `${root}/node_modules/.package-lock.json`;
  const current =
    existsSync(installed) && statSync(installed).mtimeMs >= statSync(`${root}/package-lock.json`).mtimeMs;
  if (!current) run("npm", "ci", "--no-audit", "--no-fund");
}

/** What shows that a package is built. */
const products = {
  lumbit: "dist/lumbit.js",
  composer: "dist/index.html",
  cli: "dist/lumbit.mjs",
  vite: "dist/index.js",
};

/** Builds the packages, unless what is built is newer than all that it is built from. */
export function build() {
  const packages = Object.keys(products).map((name) => `${root}/packages/${name}`);
  const built = Object.entries(products).map(([name, file]) => `${root}/packages/${name}/${file}`);
  const sources = [
    `${root}/package-lock.json`,
    ...filesIn(`${root}/examples/recipes`),
    ...packages.flatMap((folder) => [
      ...["package.json", "tsdown.config.ts", "vite.config.ts", "index.html", "stage.html"]
        .map((name) => `${folder}/${name}`)
        .filter((file) => existsSync(file)),
      ...["src", "scripts"].flatMap((name) =>
        existsSync(`${folder}/${name}`) ? filesIn(`${folder}/${name}`) : [],
      ),
    ]),
  ];
  const changed = Math.max(...sources.map((file) => statSync(file).mtimeMs));
  if (!built.every((file) => existsSync(file) && statSync(file).mtimeMs > changed))
    run("npm", "run", "build", "--silent");
}

const filesIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map(({ parentPath, name }) => join(parentPath, name));
