import { Command } from "commander";
import { parseOutput } from "../output.ts";
import { collectViewports } from "../viewport.ts";

export const handOverCommand = () =>
  new Command("hand-over")
    .description(
      "write a sheet for developers: every layer with its place, depth and moments, in pixels and in CSS, beside its picture",
    )
    .argument("<page>", "the page file")
    .requiredOption(
      "-o, --output <file>",
      "the sheet: .html needs no browser, .pdf is made by one",
      parseOutput,
    )
    .option("--scene <name>", "this scene alone")
    .option(
      "--viewport <size>",
      "a viewport to give figures for, in px; give it again for more",
      collectViewports,
    )
    .option("--force", "replace a file that is there")
    .addHelpText("after", "\nExample:\n  lumbit hand-over page.json -o hand-over.html")
    .action(async (file, options) => (await import("../actions/hand-over.ts")).handOver(file, options));
