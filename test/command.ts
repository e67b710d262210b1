import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { format } from "node:util";
import { run } from "../packages/cli/src/run.ts";

export const root = resolve(import.meta.dirname, "..");
/** The command as it is installed. */
export const program = join(root, "packages/cli/bin/lumbit.mjs");

export interface Run {
  status: number | null;
  stdout: string;
  stderr: string;
}

/** Runs the `lumbit` command from its sources, in this process. */
export async function lumbit(args: readonly string[], cwd = root): Promise<Run> {
  const said = { stdout: "", stderr: "" };
  const streams = [
    [process.stdout, "stdout", "log"],
    [process.stderr, "stderr", "error"],
  ] as const;
  const restore = streams.map(([stream, name, method]) => {
    const { write } = stream;
    const { [method]: print } = console;
    stream.write = (text: string | Uint8Array) => {
      said[name] += text;
      return true;
    };
    console[method] = (...words: unknown[]) => {
      said[name] += `${format(...words)}\n`;
    };
    return () => {
      stream.write = write;
      console[method] = print;
    };
  });
  const folder = process.cwd();
  process.chdir(cwd);
  try {
    await run(args);
    return { status: Number(process.exitCode ?? 0), ...said };
  } finally {
    process.exitCode = undefined;
    process.chdir(folder);
    for (const back of restore) back();
  }
}

/** Starts the built `lumbit` command, as a shell does. */
export function start(args: readonly string[], cwd = root): Run {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    cwd,
    encoding: "utf8",
    env: { ...process.env, NO_COLOR: "1", FORCE_COLOR: undefined },
  });
  return { status, stdout, stderr };
}

/** A folder of its own for one test. */
export const temporaryFolder = (): string => mkdtempSync(join(tmpdir(), "lumbit-"));
