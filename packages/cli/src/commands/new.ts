import { Command } from "commander";

export const newCommand = () =>
  new Command("new")
    .description("make a folder with a starter page and its pictures")
    .argument("<folder>", "the folder to make; it must not exist, or be empty")
    .addHelpText("after", "\nExample:\n  lumbit new my-page/")
    .action(async (folder) => (await import("../actions/new.ts")).newPage(folder));
