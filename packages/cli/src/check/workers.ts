import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import type * as work from "./worker.ts";

type Tasks = typeof work;
let workers: Piscina | undefined;

/** What workers run, where it is built: from sources, tasks run on this core. */
export const workerFile = import.meta.url.endsWith(".ts")
  ? undefined
  : new URL("./worker.mjs", import.meta.url);

/** Lets workers load what they need while this thread does something else. Idle ones do not keep the program from ending. */
export function startWorkers(): void {
  if (workerFile) pool(workerFile);
}

/** Runs one of the tasks of worker.ts on another core. */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  input: Parameters<Tasks[Name]>[0],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  if (workerFile) return pool(workerFile).run(input, { name });
  const task = (await import("./worker.ts"))[name] as (given: typeof input) => ReturnType<Tasks[Name]>;
  return await task(input);
}

function pool({ href }: URL): Piscina {
  const threads = availableParallelism();
  workers ??= new Piscina({
    filename: href,
    minThreads: threads,
    maxThreads: threads,
  });
  return workers;
}
