#!/usr/bin/env node
import { createRequire } from "node:module";
import { Command, CommanderError } from "commander";
import { buildCommand } from "./commands/build.ts";
import { checkCommand } from "./commands/check.ts";
import { measureCommand } from "./commands/measure.ts";
import { newCommand } from "./commands/new.ts";
import { previewCommand } from "./commands/preview.ts";
import { proofCommand } from "./commands/proof.ts";
import { Problem, printProblem } from "./problem.ts";

const { version } = createRequire(import.meta.url)("../package.json") as { version: string };

const program = new Command("lumbit")
  .description("Pages of layered scenes with believable depth: give each layer a depth, the rest follows.")
  .version(version)
  .exitOverride()
  .showHelpAfterError("(lumbit --help shows what there is)")
  .addCommand(newCommand)
  .addCommand(previewCommand)
  .addCommand(checkCommand)
  .addCommand(measureCommand)
  .addCommand(proofCommand)
  .addCommand(buildCommand);
for (const command of program.commands)
  command.exitOverride().showHelpAfterError(`(lumbit ${command.name()} --help shows an example)`);

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2;
  else {
    printProblem(Problem.from(error));
    process.exitCode = 2;
  }
}
