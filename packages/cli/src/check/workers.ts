import { availableParallelism } from "node:os";
import { Piscina } from "piscina";
import type * as work from "./worker.ts";

type Tasks = typeof work;
let workers: Piscina | undefined;

/**
 * Runs one of the tasks of worker.ts on another core; from sources on this one. Idle workers do not keep the program
 * from ending.
 */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  input: Parameters<Tasks[Name]>[0],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  if (import.meta.url.endsWith(".ts")) {
    const task = (await import("./worker.ts"))[name] as (given: typeof input) => ReturnType<Tasks[Name]>;
    return await task(input);
  }
  workers ??= new Piscina({
    filename: new URL("./worker.mjs", import.meta.url).href,
    maxThreads: availableParallelism(),
    minThreads: 0,
  });
  return workers.run(input, { name });
}
