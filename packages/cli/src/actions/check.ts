import { dirname, join } from "node:path";
import { defaultViewports, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { findingsOf } from "../check/findings.ts";
import { mend } from "../check/mend.ts";
import { changeLines, copyText, report } from "../check/report.ts";
import { sarif } from "../check/sarif.ts";
import { version } from "../package.ts";
import { count } from "../problem.ts";
import { requireProject } from "../project.ts";
import { createFile, replaceFile } from "../write-file.ts";

interface Options {
  viewport?: Viewport[];
  json?: true;
  sarif?: true;
  fix?: true;
}

/** Tells what is wrong with a page, and with `fix` mends what can be mended. */
export async function check(file: string, options: Options): Promise<void> {
  const viewports = options.viewport ?? defaultViewports;
  const project = await requireProject(file);
  let findings = await findingsOf(project, viewports);
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
  console.log(
    options.json
      ? JSON.stringify({ viewports: viewports.map(viewportName), findings }, null, 2)
      : options.sarif
        ? JSON.stringify(sarif(findings, file, source, version), null, 2)
        : report(findings, viewports.length),
  );
  if (findings.length > 0) process.exitCode = 1;
}
