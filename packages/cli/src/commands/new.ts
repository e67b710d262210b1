import { Command } from "commander";

export const newCommand = () =>
  new Command("new")
    .description("make a folder with a starter page and its pictures, or with the page of a recipe")
    .argument("[folder]", "the folder to make; it must not exist, or be empty")
    .option("--from <recipe>", "begin with a recipe: a page that does one thing of the trade")
    .option("--list", "tell which recipes there are, and what they are for")
    .option("--json", "with --list: print JSON, with the values to play with")
    .addHelpText(
      "after",
      "\nExample:\n  lumbit new my-page/\n  lumbit new --list\n  lumbit new my-gallery/ --from wiping-gallery",
    )
    .action(async (folder, options) => (await import("../actions/new.ts")).newPage(folder, options));
