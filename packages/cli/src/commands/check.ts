import { readFile } from "node:fs/promises";
import { createRequire } from "node:module";
import { Command } from "commander";
import { type Change, defaultViewports, type Finding, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { patchText, readPage } from "lumbit/document";
import { judge } from "../check/judge.ts";
import { changeText, report } from "../check/report.ts";
import { sarif } from "../check/sarif.ts";
import { count, Problem } from "../problem.ts";
import { type Project, requireProject } from "../project.ts";
import { replaceFile } from "../replace-file.ts";
import { collectViewports } from "../viewport.ts";

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
    if (options.fix) {
      const { changes, text, left } = await mend(file, project, findings, viewports);
      if (changes.length > 0) await replaceFile(file, text);
      const lines = [...changes.map(changeText), `${count(changes.length, "change")} written to ${file}`];
      (options.json || options.sarif ? console.error : console.log)(`${lines.join("\n")}\n`);
      findings = left;
    }
    const { version } = createRequire(import.meta.url)("../package.json") as { version: string };
    console.log(
      options.json
        ? JSON.stringify({ viewports: viewports.map(viewportName), findings }, null, 2)
        : options.sarif
          ? JSON.stringify(sarif(findings, file, project.source, version), null, 2)
          : report(findings, viewports.length),
    );
    if (findings.length > 0) process.exitCode = 1;
  });

/** At most this often is a page judged anew: one change may bring up what another one hid. */
const rounds = 6;

/** Applies what is proposed until nothing is. */
async function mend(
  file: string,
  project: Project,
  findings: readonly Finding[],
  viewports: readonly Viewport[],
): Promise<{ changes: Change[]; text: string; left: Finding[] }> {
  let text = await readFile(file, "utf8");
  let left = [...findings];
  const changes: Change[] = [];
  for (let round = 0; round < rounds; round++) {
    // One change for each place: a removed layer needs no other.
    const proposed = left.flatMap(({ change = [] }) => change);
    const next = proposed.filter(
      ({ path }, index) => proposed.findIndex((other) => path.startsWith(other.path)) === index,
    );
    if (next.length === 0) break;
    const patched = patchText(text, next);
    const { page, faults } = readPage(patched, file);
    if (!page) throw new Problem("the changes would make the page file wrong; nothing was written", faults);
    text = patched;
    changes.push(...next);
    ({ findings: left } = await judge({ ...project, page }, viewports));
  }
  return { changes, text, left };
}
