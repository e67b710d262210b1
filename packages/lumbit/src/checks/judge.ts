import { allLayers, type CheckName, isImage, type Natural, type Page, type Viewport } from "../core/index.ts";
import { checks } from "./checks.ts";
import { type Finding, graver, type Sighting, type Span, viewportName } from "./finding.ts";
import type { KnownPicture } from "./picture.ts";
import { fileAt } from "./pixels.ts";
import { type SceneView, type View, viewOf } from "./view.ts";

/** What a page is judged by. */
export interface Judged {
  page: Page;
  /** The natural sizes of its texts, pictures and contents. */
  natural: Natural;
  /** What is known of its picture files, by their paths; checks that need one that is missing say nothing of it. */
  pictures?: ReadonlyMap<string, KnownPicture>;
  /** The sizes of its film files in bytes, by their paths. */
  videos?: ReadonlyMap<string, number>;
}

/** One thing that a check saw. */
interface Sighted {
  check: CheckName;
  sighting: Sighting;
}

/** What the checks see of a page at one viewport: plain data, so that threads can share the work. */
export interface Seen {
  viewport: string;
  ofView: Sighted[];
  /** Of each scene, with what it comes from: while that stays the same, so does what is seen. */
  scenes: { from: string; sighted: Sighted[] }[];
}

/** What the checks see of a page at one viewport. Scenes that are as they were in `before` are not looked at again. */
export function seenAt(
  { page, natural, pictures = new Map(), videos = new Map() }: Judged,
  viewport: Viewport,
  before?: Seen,
): Seen {
  const view = viewOf(page, viewport, natural, pictures, videos);
  return {
    viewport: viewportName(viewport),
    ofView: checks.flatMap((check) => (check.scope === "view" ? sighted(check.name, check.judge(view)) : [])),
    scenes: view.scenes.map((scene) => {
      const from = whatScenesComeFrom(scene, view);
      return before?.scenes.find((known) => known.from === from) ?? { from, sighted: ofScene(scene, view) };
    }),
  };
}

const ofScene = (scene: SceneView, view: View): Sighted[] =>
  checks.flatMap((check) => (check.scope === "scene" ? sighted(check.name, check.judge(scene, view)) : []));

const sighted = (check: CheckName, sightings: readonly Sighting[]): Sighted[] =>
  sightings.map((sighting) => ({ check, sighting }));

/** Everything that checks of a scene look at, but for the pixels of pictures. */
function whatScenesComeFrom(
  { scene, path, layout }: SceneView,
  { page: { page, lang, fonts }, layout: { scrollHeight, backdrop }, pictures, viewport }: View,
): string {
  const files = allLayers(scene.layers)
    .filter(isImage)
    .map((layer) => ({ ...pictures.get(fileAt(layer, viewport)), raster: undefined }));
  return JSON.stringify([path, layout, page, lang, fonts, scrollHeight, backdrop, files]);
}

/** The findings in what was seen of a page at some viewports, and in the page itself, the gravest first. */
export function findingsFrom(page: Page, seen: readonly Seen[]): Finding[] {
  const ofPage = checks.flatMap((check) =>
    check.scope === "page" ? sighted(check.name, check.judge(page)) : [],
  );
  const all: On[] = [
    ...ofPage.map((one) => ({ ...one, viewport: "" })),
    ...seen.flatMap(({ viewport, ofView, scenes }) =>
      [ofView, ...scenes.map(({ sighted }) => sighted)].flat().map((one) => ({ ...one, viewport })),
    ),
  ];
  const groups = grouped(all, ({ check, sighting }) => `${check} ${sighting.path}`);
  return [...groups.values()].flatMap((group) => findingOf(group, page, seen.length)).sort(graver);
}

type On = Sighted & { viewport: string };

/** One finding from what was seen of it at every viewport; the worst one has the figure and the change. */
function findingOf(group: readonly On[], page: Page, viewports: number): Finding[] {
  const [worst] = group.toSorted((a, b) => b.sighting.amount - a.sighting.amount);
  const check = checks.find(({ name }) => name === worst?.check);
  if (!worst || !check) return [];
  const {
    from: _from,
    to: _to,
    amount: _amount,
    everywhere,
    change,
    copies,
    decided,
    ...sighting
  } = worst.sighting;
  const seenOnAll = new Set(group.map(({ viewport }) => viewport)).size === viewports;
  if (everywhere === "finding" && !seenOnAll) return [];
  const mends = change && (!everywhere || seenOnAll);
  const setting = page.checks?.find(
    ({ rule, scene, layer }) =>
      rule === check.name &&
      (scene === undefined || scene === sighting.scene) &&
      (layer === undefined || layer === sighting.layer),
  );
  const severity = setting?.severity ?? check.severity;
  if (severity === "off") return [];
  return [
    {
      ...{ rule: check.name, severity, ...sighting },
      ...(mends && { change, ...(copies && { copies }), ...(decided && { decided }) }),
      places: spansOf(group),
      why: check.why,
    },
  ];
}

/** Where something holds, by viewport and along the scroll; spans that meet are one. */
const spansOf = (group: readonly On[]): Span[] =>
  [...grouped(group, ({ viewport }) => viewport)].flatMap(([viewport, sightings]) =>
    viewport === ""
      ? []
      : sightings
          .map(({ sighting: { from, to } }): Span => ({ viewport, from, to }))
          .sort((a, b) => a.from - b.from)
          .reduce<Span[]>((spans, next) => {
            const last = spans.at(-1);
            if (last && next.from <= last.to) last.to = Math.max(last.to, next.to);
            else spans.push(next);
            return spans;
          }, []),
  );

function grouped<T>(all: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) {
    const key = keyOf(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
