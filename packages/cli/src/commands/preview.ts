import { Command } from "commander";
import { parsePort } from "../port.ts";

export const previewCommand = () =>
  new Command("preview")
    .description("serve the page on this machine and reload it when its file or a picture changes")
    .argument("<page>", "the page file")
    .option("--port <number>", "the port to listen on; 0 takes a free one", parsePort, 4380)
    .addHelpText("after", "\nExample:\n  lumbit preview page.json\nIt runs until you press Ctrl+C.")
    .action(async (file, options) => (await import("../actions/preview.ts")).preview(file, options));
