import { type Finding, judgePage, type KnownPicture, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { say } from "../progress.ts";
import type { PictureAsset, Project } from "../project.ts";
import { withDeliveries } from "./deliveries.ts";
import { checkedPictures, detailOf } from "./pictures.ts";
import { inWorker } from "./workers.ts";

/** What is known of a project's pictures, told while they are looked at. */
export const picturesOf = (project: Project): Promise<Map<string, KnownPicture>> =>
  checkedPictures(project, (done) => say(`looking at the pictures, ${done} of ${project.pictures.length}`));

/** What checks find in a project at viewports, judged on all cores. */
export async function judge(project: Project, viewports: readonly Viewport[]): Promise<Finding[]> {
  const { page } = project;
  const fonts = project.fonts.map(({ path, bytes }) => ({ path, bytes }));
  const videos = new Map(project.videos.map(({ path, bytes }) => [path, bytes.length]));
  const pictures = await withDeliveries(await picturesOf(project), project);
  const files = new Map(project.pictures.map((picture) => [picture.path, picture]));
  let done = 0;
  const findings = await judgePage({
    page,
    viewports,
    pictures,
    async see(page, pictures, viewport, before) {
      if (page !== project.page) say("trying what mends it");
      const seen = await inWorker("judge", { page, pictures, fonts, videos, viewport, before });
      if (!before) say(`judged ${viewportName(viewport)}, ${++done} of ${viewports.length}`);
      return seen;
    },
    detailOf: (path) => detailOf(files.get(path) as PictureAsset),
  });
  say("");
  return findings;
}
