import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

export const root = resolve(import.meta.dirname, "..");
const program = join(root, "packages/cli/dist/lumbit.mjs");

export interface Run {
  status: number | null;
  stdout: string;
  stderr: string;
}

/** Runs the built `lumbit` command. */
export function lumbit(args: readonly string[], cwd = root): Run {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    cwd,
    encoding: "utf8",
    env: { ...process.env, NO_COLOR: "1", FORCE_COLOR: undefined },
  });
  return { status, stdout, stderr };
}

/** A folder of its own for one test. */
export const temporaryFolder = (): string => mkdtempSync(join(tmpdir(), "lumbit-"));
