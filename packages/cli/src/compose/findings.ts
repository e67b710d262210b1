import { spawn } from "node:child_process";
import { constants, setPriority } from "node:os";
import { fileURLToPath } from "node:url";
import { defaultViewports, type Finding, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { packageFolder } from "../package.ts";
import { Problem } from "../problem.ts";

const program = fileURLToPath(new URL("bin/lumbit.mjs", packageFolder));

/** What is to be judged: the page on some screens, and on the usual ones too. */
export interface Asked {
  screens: readonly Viewport[];
  usual: boolean;
}

/**
 * What `lumbit check` finds in a page file. It runs in a program of its own that gives way to everything else, and is
 * ended with the signal: somebody is at work on the page.
 *
 * @throws Problem when the page cannot be judged
 */
export async function findingsIn(
  file: string,
  { screens, usual }: Asked,
  signal: AbortSignal,
): Promise<Finding[]> {
  const sizes = [...screens, ...(usual ? defaultViewports : [])].map(({ width, height }) =>
    viewportName({ width: Number(width), height: Number(height) }),
  );
  const viewports = [...new Set(sizes)].flatMap((size) => ["--viewport", size]);
  const judging = spawn(process.execPath, [program, "check", file, "--json", ...viewports], {
    stdio: ["ignore", "pipe", "pipe"],
    signal,
  });
  if (judging.pid !== undefined) setPriority(judging.pid, constants.priority.PRIORITY_LOW);
  const [said, problem] = await Promise.all([textOf(judging.stdout), textOf(judging.stderr), ended(judging)]);
  try {
    return JSON.parse(said).findings;
  } catch {
    throw new Problem(problem.trim() || "the page cannot be judged");
  }
}

async function textOf(stream: AsyncIterable<Buffer>): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part);
  return Buffer.concat(parts).toString("utf8");
}

const ended = (judging: ReturnType<typeof spawn>): Promise<void> =>
  new Promise((done, failed) => {
    judging.on("close", () => done());
    judging.on("error", failed);
  });
