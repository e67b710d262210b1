import { Command, Option } from "commander";
import { collectViewports } from "../viewport.ts";

export const checkCommand = () =>
  new Command("check")
    .description("tell what is wrong with a page on which screen, and which value mends it")
    .argument("<page>", "the page file")
    .option("--viewport <size>", "a viewport to judge it at, in px; give it again for more", collectViewports)
    .addOption(
      new Option("--fail-on <severity>", "the least grave finding that ends the command with 1")
        .choices(["error", "warning", "note"])
        .default("note"),
    )
    .option("--fix", "write the proposed changes into the page file")
    .option("--json", "print JSON for other programs")
    .option("--sarif", "print SARIF for code hosts")
    .addHelpText("after", "\nExample:\n  lumbit check page.json --viewport 390x844 --viewport 1280x800")
    .action(async (file, options) => {
      // They load what they need while this thread does.
      (await import("../check/workers.ts")).startWorkers();
      await (await import("../actions/check.ts")).check(file, options);
    });
