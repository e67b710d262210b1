import { readFileSync } from "node:fs";
import { type Finding, writtenFindings } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { digest, looks } from "../kept.ts";
import type { Project } from "../project.ts";
import { judge } from "./judge.ts";
import { workerFile } from "./workers.ts";

/** What checks find in a project at viewports, with changes of its page file that mend it. */
export async function findingsOf(project: Project, viewports: readonly Viewport[]): Promise<Finding[]> {
  return writtenFindings(await judged(project, viewports), project.source);
}

/** The same page with the same files is judged once. */
async function judged(project: Project, viewports: readonly Viewport[]): Promise<Finding[]> {
  if (!workerFile) return judge(project, viewports);
  const { page, pictures, fonts } = project;
  const files = [...pictures, ...fonts].map(({ path, bytes }) => [path, digest(bytes)]);
  // What is built names its parts by their content, so its text changes with the checks.
  const checks = readFileSync(workerFile, "utf8");
  const key = `findings in ${digest(JSON.stringify([checks, viewports, page, files]))}`;
  const known = await looks.remembered(key);
  if (known) return JSON.parse(known.data.toString());
  const findings = await judge(project, viewports);
  await looks.remember(key, JSON.stringify(findings));
  return findings;
}
