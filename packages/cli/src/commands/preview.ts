import { Command, InvalidArgumentError } from "commander";
import colors from "picocolors";
import { startPreview } from "../preview/preview.ts";
import { count, Problem, printProblem } from "../problem.ts";

export const previewCommand = new Command("preview")
  .description("serve the page on this machine and reload it when its file or a picture changes")
  .argument("<page>", "the page file")
  .option("--port <number>", "the port to listen on; 0 takes a free one", parsePort, 4380)
  .addHelpText("after", "\nExample:\n  lumbit preview page.json\nIt runs until you press Ctrl+C.")
  .action(async (file: string, { port }: { port: number }) => {
    const preview = await startPreview(file, port, {
      onGood: () => console.log(colors.green(`${file} is sound, the page is up to date`)),
      onFaults: (faults, message) => printProblem(new Problem(message, faults)),
    });
    console.log(`${colors.bold(preview.url)}  (${count(preview.watched, "file")} watched, Ctrl+C ends)`);
    await new Promise<void>((done) => {
      process.once("SIGINT", done);
      process.once("SIGTERM", done);
    });
    await preview.close();
  });

function parsePort(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new InvalidArgumentError("A port is a whole number from 0 to 65535.");
  return port;
}
