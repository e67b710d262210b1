import { defaultViewports, type Finding } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { findingsOf } from "./check/findings.ts";
import { under, type Work } from "./progress.ts";
import type { Project } from "./project.ts";

export interface CheckOptions extends Work {
  /** The viewports to judge it at; eight usual ones by default. */
  viewports?: readonly Viewport[];
}

/** What is wrong with a project on which screens, and what would mend it. */
export const checkProject = (
  project: Project,
  { viewports = defaultViewports, ...work }: CheckOptions = {},
): Promise<Finding[]> => under(work, () => findingsOf(project, viewports));
