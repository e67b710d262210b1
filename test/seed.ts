import type { TestProject } from "vitest/node";

declare module "vitest" {
  interface ProvidedContext {
    seed: number;
  }
}

/** One seed for all random cases of a run. It is printed; LUMBIT_SEED takes one again. */
export default function seed({ provide }: TestProject): void {
  const given = Number(process.env.LUMBIT_SEED ?? Number.NaN);
  const seed = Number.isInteger(given) ? given : Math.floor(Math.random() * 2 ** 31);
  console.log(`random cases: LUMBIT_SEED=${seed}`);
  provide("seed", seed);
}
