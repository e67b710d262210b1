import { spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
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

/** Builds the library and the command. */
export const build = () => run("npm", "run", "build", "--silent");
