import { type Finding, findingsFrom, type KnownPicture, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { say } from "../progress.ts";
import type { Project } from "../project.ts";
import { checkedPictures } from "./pictures.ts";
import { inWorker } from "./workers.ts";

/** What checks find in a project at viewports, judged on all cores, and what they know of its pictures. */
export async function judge(
  project: Project,
  viewports: readonly Viewport[],
): Promise<{ findings: Finding[]; pictures: Map<string, KnownPicture> }> {
  const { page, fonts } = project;
  const pictures = await checkedPictures(project, (done) =>
    say(`looking at the pictures, ${done} of ${project.pictures.length}`),
  );
  let done = 0;
  const seen = await Promise.all(
    viewports.map(async (viewport) => {
      const bytes = fonts.map(({ path, bytes }) => ({ path, bytes }));
      const found = await inWorker("judge", { page, pictures, fonts: bytes, viewport });
      say(`judged ${viewportName(viewport)}, ${++done} of ${viewports.length}`);
      return found;
    }),
  );
  say("");
  return { findings: findingsFrom(page, seen.flat(), viewports.length), pictures };
}
