import { Command, InvalidArgumentError } from "commander";
import { parseOutput } from "../output.ts";
import { collectViewports } from "../viewport.ts";

export const proofCommand = () =>
  new Command("proof")
    .description(
      "draw a sheet of a page: screens below each other, moments of the scroll side by side; or film it",
    )
    .argument("<page>", "the page file")
    .requiredOption(
      "-o, --output <file>",
      "the sheet: .html needs no browser, .png and .pdf are made by one; a film: .webp or .webm, made by one",
      parseOutput,
    )
    .option("--scene <name>", "the moments of this scene instead of the whole page")
    .option("--viewport <size>", "a viewport to show, in px; give it again for more", collectViewports)
    .option("--moments <count>", "how many moments stand side by side, 2 to 40", numberFrom(2, 40))
    .option("--against <page>", "another version of the page: both are shown, and what differs")
    .option(
      "--film",
      "a film of a smooth scroll: at 1280x800, or at the viewports that are given, side by side",
    )
    .option("--elevation", "beside a film the scene from the side, with the camera on its way through it")
    .option("--seconds <count>", "how long the film is, 1 to 120", numberFrom(1, 120))
    .option("--force", "replace a file that is there")
    .addHelpText(
      "after",
      "\nExamples:\n  lumbit proof page.json -o proof.html --scene descent\n  lumbit proof page.json --against before.json -o changes.html\n  lumbit proof page.json --film -o page.webp",
    )
    .action(async (file, options) => (await import("../actions/proof.ts")).proof(file, options));

/** Reads a whole number between two. */
function numberFrom(least: number, most: number): (text: string) => number {
  return (text) => {
    const value = Number(text);
    if (!Number.isInteger(value) || value < least || value > most)
      throw new InvalidArgumentError(`It is a whole number from ${least} to ${most}.`);
    return value;
  };
}
