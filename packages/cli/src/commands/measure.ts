import { Command, Option } from "commander";
import { collectViewports, parseScroll } from "../viewport.ts";

export const measureCommand = () =>
  new Command("measure")
    .description("tell where every layer is, how far it moves and how many pixels it needs")
    .argument("<page>", "the page file")
    .option(
      "--viewport <size>",
      "width and height of the viewport in px, 1280x800 without it; give it again to compare",
      collectViewports,
    )
    .option("--scroll <px>", "how far the page is scrolled", parseScroll, 0)
    .option("--json", "print JSON for other programs")
    .option("--chart <file>", "draw how the layers of a scene move, as .svg or .png")
    .option(
      "--elevation <file>",
      "draw a scene from the side: camera, layers at their depths, what it sees of each",
    )
    .option("--scene <name>", "the scene of a chart; the first without it")
    .addOption(
      new Option("--theme <name>", "the colours of a chart").choices(["light", "dark"]).default("light"),
    )
    .option("--force", "replace a chart that is there")
    .addHelpText("after", "\nExample:\n  lumbit measure page.json --viewport 390x844 --scroll 400 --json")
    .action(async (file, options) => (await import("../actions/measure.ts")).measure(file, options));
