import { Command, CommanderError } from "commander";
import { buildCommand } from "./commands/build.ts";
import { checkCommand } from "./commands/check.ts";
import { composeCommand } from "./commands/compose.ts";
import { handOverCommand } from "./commands/hand-over.ts";
import { importCommand } from "./commands/import.ts";
import { measureCommand } from "./commands/measure.ts";
import { newCommand } from "./commands/new.ts";
import { previewCommand } from "./commands/preview.ts";
import { proofCommand } from "./commands/proof.ts";
import { version } from "./package.ts";

/** Runs the command with its arguments. Each command loads what it does only when it is called. */
export async function run(args: readonly string[]): Promise<void> {
  const program = new Command("lumbit")
    .description("Pages of layered scenes with believable depth: give each layer a depth, the rest follows.")
    .version(version)
    .exitOverride()
    .showHelpAfterError("(lumbit --help shows what there is)");
  for (const make of [
    newCommand,
    importCommand,
    composeCommand,
    previewCommand,
    checkCommand,
    measureCommand,
    proofCommand,
    handOverCommand,
    buildCommand,
  ]) {
    const command = make().exitOverride();
    program.addCommand(command.showHelpAfterError(`(lumbit ${command.name()} --help shows an example)`));
  }
  try {
    await program.parseAsync(args, { from: "user" });
  } catch (error) {
    if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2;
    else {
      const { Problem } = await import("./problem.ts");
      const { printProblem } = await import("./print-problem.ts");
      printProblem(Problem.from(error));
      process.exitCode = 2;
    }
  }
}
