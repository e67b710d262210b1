import { Command } from "commander";
import { parseOutput } from "../output.ts";

export const buildCommand = () =>
  new Command("build")
    .description(
      "write the page as a site: HTML, CSS, pictures and fonts, and the script that browsers need which cannot move it by themselves",
    )
    .argument("<pages...>", "the page file; of several each is a document of the site")
    .requiredOption("-o, --output <folder>", "the folder to write the site into", parseOutput)
    .option("--no-script", "leave out the script that moves the page where browsers cannot by themselves")
    .option("--fragment <scene>", "write one scene as HTML and CSS to paste into a foreign page")
    .option("--layer <scene/layer>", "write one layer with its motion as plain CSS that needs no Lumbit")
    .option(
      "--originals",
      "copy the pictures as they are, instead of making such as screens need, in kinds that are smaller",
    )
    .option("--watch", "build it again whenever the page or one of its files changes, until you press Ctrl+C")
    .option("--json", "print JSON for other programs")
    .option("--force", "replace files in the folder that lumbit did not write")
    .addHelpText("after", "\nExample:\n  lumbit build page.json -o site/")
    .action(async (files, options) => (await import("../actions/build.ts")).build(files, options));
