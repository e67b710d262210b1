import { Command, InvalidArgumentError, Option } from "commander";
import { continuations } from "../import/drawing.ts";
import { parseOutput } from "../output.ts";

const parseDepth = (text: string): number => {
  const depth = Number(text);
  if (text.trim() === "" || !(depth > -1 && depth <= 1_000_000))
    throw new InvalidArgumentError("a depth is a number above -1, in camera distances");
  return depth;
};

export const importCommand = () =>
  new Command("import")
    .description(
      "make a page of a drawing in layers, or of pictures: each stands where it was, at a depth by its order",
    )
    .argument(
      "<files...>",
      "an OpenRaster (.ora) or SVG drawing, or pictures, the farthest first; a folder or a zip has them in the order of their names",
    )
    .option("-o, --output <folder>", "the folder to make; it must not exist, or be empty", parseOutput)
    .option(
      "--into <page>",
      "the page file that takes over pictures and places of a drawing that has changed",
    )
    .option("--group <name>", "of an SVG drawing the group whose parts are the layers")
    .option("--far <depth>", "how deep the farthest layer lies, in camera distances", parseDepth)
    .option("--near <depth>", "how deep the nearest layer lies", parseDepth)
    .option("--surface <layer>", "the layer that moves with the page; those before it move faster")
    .addOption(
      new Option(
        "--extend <how>",
        "continue pictures that end where the movement uncovers more: mirrored, as their last row, or in the colors of their edge",
      ).choices(continuations),
    )
    .addHelpText("after", "\nExample:\n  lumbit import shore.ora -o shore/")
    .action(async (files, options) => (await import("../actions/import.ts")).importDrawing(files, options));
