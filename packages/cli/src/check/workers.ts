import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import type * as work from "./worker.ts";

type Tasks = typeof work;
let workers: Piscina | undefined;

/** Run from sources, tasks run on this core: threads load what is built. */
const fromSources = import.meta.url.endsWith(".ts");

/** Lets workers load what they need while this thread does something else. Idle ones do not keep the program from ending. */
export function startWorkers(): void {
  if (!fromSources) pool();
}

/** Runs one of the tasks of worker.ts on another core. */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  input: Parameters<Tasks[Name]>[0],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  if (!fromSources) return pool().run(input, { name });
  const task = (await import("./worker.ts"))[name] as (given: typeof input) => ReturnType<Tasks[Name]>;
  return await task(input);
}

function pool(): Piscina {
  const threads = availableParallelism();
  workers ??= new Piscina({
    filename: new URL("./worker.mjs", import.meta.url).href,
    minThreads: threads,
    maxThreads: threads,
  });
  return workers;
}
