import { allLayers, type ImageLayer, isImage, type Page, statesOf, type Viewport } from "../core/index.ts";
import { atOrigin } from "../document/patch.ts";
import type { Source } from "../document/source.ts";
import type { Finding } from "./finding.ts";
import { findingsFrom, type Seen } from "./judge.ts";
import { offers, withCopies } from "./offer.ts";
import type { KnownPicture } from "./picture.ts";

type Pictures = ReadonlyMap<string, KnownPicture>;

/** A page that is judged, and who does the work: threads may share it. */
export interface Judging {
  page: Page;
  viewports: readonly Viewport[];
  pictures: Pictures;
  /** What the checks see of a page, as `seenAt` does; `before` is what was seen of much the same one. */
  see(page: Page, pictures: Pictures, viewport: Viewport, before?: Seen): Promise<Seen>;
  /** How much detail a picture file has, as `KnownPicture` says it: it takes long to see. */
  detailOf(path: string): Promise<number>;
}

/** Everything that is wrong with a page, as `checkPage` says it, by steps that others take. */
export async function judgePage({
  page,
  viewports,
  pictures: looks,
  see,
  detailOf,
}: Judging): Promise<Finding[]> {
  const seeAll = (page: Page, pictures: Pictures, before?: readonly Seen[]) =>
    Promise.all(viewports.map((viewport, index) => see(page, pictures, viewport, before?.[index])));
  const first = await seeAll(page, looks);
  // Only what looks too small is looked at once more: soft pictures may be.
  const pictures = await withDetails(looks, smallPictures(page, first), detailOf);
  const seen = pictures === looks ? first : await seeAll(page, pictures, first);
  const trials = offers(page, findingsFrom(page, seen));
  let step = trials.next();
  while (!step.done) {
    const trial = step.value;
    const again = await seeAll(trial.page, withCopies(pictures, trial.copies), seen);
    step = trials.next(findingsFrom(trial.page, again));
  }
  return step.value;
}

/** The pictures, with the detail of those that are asked for and have none yet. */
async function withDetails(
  pictures: Pictures,
  files: ReadonlySet<string>,
  detailOf: Judging["detailOf"],
): Promise<Pictures> {
  const asked = [...pictures].filter(([path, { detail }]) => files.has(path) && detail === undefined);
  if (asked.length === 0) return pictures;
  const detailed = asked.map(
    async ([path, picture]) => [path, { ...picture, detail: await detailOf(path) }] as const,
  );
  return new Map([...pictures, ...(await Promise.all(detailed))]);
}

/** Findings with their changes as changes of the page's file, as far as that can make them. */
export const writtenFindings = (findings: readonly Finding[], source: Source): Finding[] =>
  findings.map(({ change, ...finding }) => {
    const own = atOrigin(source, change ?? []);
    return own.length > 0 ? { ...finding, change: own } : finding;
  });

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
