import { formatFault, printable } from "lumbit/document";
import colors from "picocolors";
import type { Problem } from "./problem.ts";
import { say } from "./progress.ts";

/** Nobody reads more faults than these at once. */
const mostPrinted = 100;

/** Prints a problem to the terminal's error output. */
export function printProblem({ message, faults }: Problem): void {
  say("");
  for (const fault of faults.slice(0, mostPrinted)) console.error(`${colors.red("✕")} ${formatFault(fault)}`);
  if (faults.length > mostPrinted) console.error(`… and ${faults.length - mostPrinted} more`);
  console.error(colors.red(printable(message)));
}
