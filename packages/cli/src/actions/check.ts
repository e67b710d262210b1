import { readFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { defaultViewports, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { mend } from "../check/mend.ts";
import { changeLines, copyText, report } from "../check/report.ts";
import { sarif } from "../check/sarif.ts";
import { checkProject } from "../check-project.ts";
import { jsonOfFaults } from "../json.ts";
import { version } from "../package.ts";
import { count, Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import { createFile, replaceFile } from "../write-file.ts";

interface Options {
  viewport?: Viewport[];
  json?: true;
  sarif?: true;
  fix?: true;
  failOn: Severity;
}

/** From the gravest on. */
export const severities = ["error", "warning", "note"] as const;
export type Severity = (typeof severities)[number];

/** Tells what is wrong with a page, and with `fix` mends what can be mended. */
export const check = (file: string, options: Options): Promise<void> =>
  jsonOfFaults(options.json, { viewports: viewportsOf(options).map(viewportName), findings: [] }, () =>
    judged(file, options),
  );

const viewportsOf = ({ viewport }: Options) => viewport ?? defaultViewports;

async function judged(file: string, options: Options): Promise<void> {
  const viewports = viewportsOf(options);
  const project = await requireProject(file);
  let findings = await checkProject(project, { viewports });
  let { source } = project;
  if (options.fix) {
    const { changes, copies, text, ...left } = await mend(project, findings, viewports);
    if (changes.length > 0 && (await readFile(file, "utf8")) !== project.text)
      throw new Problem(`${file} was changed meanwhile; nothing was written: check it again`);
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
  console.log(
    options.json
      ? JSON.stringify({ faults: [], viewports: viewports.map(viewportName), findings }, null, 2)
      : options.sarif
        ? JSON.stringify(sarif(findings, file, source, version), null, 2)
        : report(findings, viewports.length),
  );
  const grave = severities.slice(0, severities.indexOf(options.failOn) + 1);
  if (findings.some(({ severity }) => (grave as readonly string[]).includes(severity))) process.exitCode = 1;
}
