import { Problem } from "./problem.ts";

/** Prints what other programs read. */
export const printJson = (value: object): void => console.log(JSON.stringify(value, null, 2));

/** Does something whose result is printed as JSON: faults of the page file too, in place of what there would be. */
export async function jsonOfFaults(
  json: true | undefined,
  nothing: object,
  work: () => Promise<void>,
): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (!json || !(error instanceof Problem) || error.faults.length === 0) throw error;
    printJson({ faults: error.faults, ...nothing });
    process.exitCode = 2;
  }
}
