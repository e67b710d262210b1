import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { Command } from "commander";
import { defaultViewports, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { judge } from "../check/judge.ts";
import { mend } from "../check/mend.ts";
import { changeLines, copyText, report } from "../check/report.ts";
import { sarif } from "../check/sarif.ts";
import { count } from "../problem.ts";
import { requireProject } from "../project.ts";
import { collectViewports } from "../viewport.ts";
import { createFile, replaceFile } from "../write-file.ts";

interface Options {
  viewport?: Viewport[];
  json?: true;
  sarif?: true;
  fix?: true;
}

export const checkCommand = new Command("check")
  .description("tell what is wrong with a page on which screen, and which value mends it")
  .argument("<page>", "the page file")
  .option("--viewport <size>", "a viewport to judge it at, in px; give it again for more", collectViewports)
  .option("--fix", "write the proposed changes into the page file")
  .option("--json", "print JSON for other programs")
  .option("--sarif", "print SARIF for code hosts")
  .addHelpText("after", "\nExample:\n  lumbit check page.json --viewport 390x844 --viewport 1280x800")
  .action(async (file: string, options: Options) => {
    const viewports = options.viewport ?? defaultViewports;
    const project = await requireProject(file);
    let { findings } = await judge(project, viewports);
    let { source } = project;
    if (options.fix) {
      const { changes, copies, text, ...left } = await mend(project, findings, viewports);
      for (const { path, bytes } of copies) await createFile(join(dirname(file), path), bytes);
      if (changes.length > 0) await replaceFile(file, text);
      const lines = [
        ...copies.map(({ path, ...size }) => copyText({ to: path, ...size })),
        ...changeLines(changes),
        `${count(changes.length, "change")} written to ${file}`,
      ];
      (options.json || options.sarif ? console.error : console.log)(`${lines.join("\n")}\n`);
      ({ findings, source } = left);
    }
    const { version } = createRequire(import.meta.url)("../package.json") as { version: string };
    console.log(
      options.json
        ? JSON.stringify({ viewports: viewports.map(viewportName), findings }, null, 2)
        : options.sarif
          ? JSON.stringify(sarif(findings, file, source, version), null, 2)
          : report(findings, viewports.length),
    );
    if (findings.length > 0) process.exitCode = 1;
  });
