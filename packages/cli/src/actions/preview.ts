import colors from "picocolors";
import { startPreview } from "../preview/preview.ts";
import { printProblem } from "../print-problem.ts";
import { count, Problem } from "../problem.ts";

/** Serves a page until it is told to end. */
export async function preview(file: string, { port }: { port: number }): Promise<void> {
  const served = await startPreview(file, port, {
    onGood: () => console.log(colors.green(`${file} is sound, the page is up to date`)),
    onFaults: (faults, message) => printProblem(new Problem(message, faults)),
  });
  console.log(`${colors.bold(served.url)}  (${count(served.watched, "file")} watched, Ctrl+C ends)`);
  await new Promise<void>((done) => {
    process.once("SIGINT", done);
    process.once("SIGTERM", done);
  });
  await served.close();
}
