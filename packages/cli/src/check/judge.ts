import {
  type Finding,
  findingsFrom,
  type KnownPicture,
  offers,
  type Seen,
  viewportName,
  withCopies,
} from "lumbit/checks";
import type { ImageLayer, Page, Viewport } from "lumbit/core";
import { allLayers, isImage, statesOf } from "lumbit/internal";
import { say } from "../progress.ts";
import type { Project } from "../project.ts";
import { withDeliveries } from "./deliveries.ts";
import { checkedPictures, withDetails } from "./pictures.ts";
import { inWorker } from "./workers.ts";

/** What is known of a project's pictures, told while they are looked at. */
export const picturesOf = (project: Project): Promise<Map<string, KnownPicture>> =>
  checkedPictures(project, (done) => say(`looking at the pictures, ${done} of ${project.pictures.length}`));

/** What checks find in a project at viewports, judged on all cores. */
export async function judge(project: Project, viewports: readonly Viewport[]): Promise<Finding[]> {
  const { page } = project;
  const fonts = project.fonts.map(({ path, bytes }) => ({ path, bytes }));
  const videos = new Map(project.videos.map(({ path, bytes }) => [path, bytes.length]));
  const looks = await withDeliveries(await picturesOf(project), project);
  const first = await judgeAll(page, looks);
  // Only what looks too small is looked at once more: soft pictures may be.
  const pictures = await withDetails(looks, project, smallPictures(page, first));
  const seen = pictures === looks ? first : await judgeAll(page, pictures, first);
  const trials = offers(page, findingsFrom(page, seen));
  let step = trials.next();
  while (!step.done) {
    say("trying what mends it");
    const trial = step.value;
    const again = await judgeAll(trial.page, withCopies(pictures, trial.copies), seen);
    step = trials.next(findingsFrom(trial.page, again));
  }
  say("");
  return step.value;

  async function judgeAll(
    page: Page,
    pictures: ReadonlyMap<string, KnownPicture>,
    before?: readonly Seen[],
  ): Promise<Seen[]> {
    let done = 0;
    return Promise.all(
      viewports.map(async (viewport, index) => {
        const known = before?.[index];
        const found = await inWorker("judge", { page, pictures, fonts, videos, viewport, before: known });
        if (!before) say(`judged ${viewportName(viewport)}, ${++done} of ${viewports.length}`);
        return found;
      }),
    );
  }
}

/** The files of all pictures that were seen to be too small. */
function smallPictures({ scenes }: Page, seen: readonly Seen[]): Set<string> {
  const small = new Set(
    seen
      .flatMap(({ scenes }) => scenes.flatMap(({ sighted }) => sighted))
      .flatMap(({ check, sighting }) => (check === "sharpness" ? [keyOf(sighting)] : [])),
  );
  const layers = scenes.flatMap(({ name, layers }) =>
    allLayers(layers)
      .filter(isImage)
      .filter(({ name: layer }) => small.has(keyOf({ scene: name, layer }))),
  );
  return new Set(layers.flatMap((layer) => statesOf(layer).flatMap(filesOf)));
}

const keyOf = ({ scene, layer }: { scene?: string; layer?: string }) => `${scene} / ${layer}`;

const filesOf = ({ image, variants = {} }: ImageLayer) => [image, ...Object.values(variants)];
