import { Command } from "commander";

export const buildCommand = () =>
  new Command("build")
    .description(
      "write the page as a site: HTML, CSS, pictures and fonts, and script only where it has cues, sways or has reels",
    )
    .argument("<page>", "the page file")
    .requiredOption("-o, --output <folder>", "the folder to write the site into")
    .option("--scripted", "let browsers without scroll-driven animations load a script that moves the page")
    .option("--force", "replace files in the folder that lumbit did not write")
    .addHelpText("after", "\nExample:\n  lumbit build page.json -o site/")
    .action(async (file, options) => (await import("../actions/build.ts")).build(file, options));
