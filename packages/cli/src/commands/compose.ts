import { Command } from "commander";
import { parsePort } from "../port.ts";

export const composeCommand = () =>
  new Command("compose")
    .description(
      "open a page in the composer, where it is put together by looking and dragging; or begin one",
    )
    .argument("[page]", "the page file, or a folder to begin in; this folder without it", ".")
    .option("--port <number>", "the port to listen on; 0 takes a free one", parsePort, 4390)
    .option("--no-open", "print the address without opening it")
    .addHelpText("after", "\nExample:\n  lumbit compose page.json\nIt runs until you press Ctrl+C.")
    .action(async (file, options) => (await import("../actions/compose.ts")).compose(file, options));
