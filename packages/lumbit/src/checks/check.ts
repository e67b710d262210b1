import type { CheckRule, Natural, Page, Viewport } from "../core/index.ts";
import { type Finding, rules, type Severity, type Sighting, viewportName } from "./finding.ts";
import type { KnownPicture } from "./picture.ts";
import { blur } from "./rules/blur.ts";
import { contrast } from "./rules/contrast.ts";
import { edge } from "./rules/edge.ts";
import { empty } from "./rules/empty.ts";
import { flashing } from "./rules/flashing.ts";
import { faint, room, strong } from "./rules/movement.ts";
import { opposed } from "./rules/opposed.ts";
import { order } from "./rules/order.ts";
import { overflow } from "./rules/overflow.ts";
import { overlap } from "./rules/overlap.ts";
import { reading } from "./rules/reading.ts";
import { alt, headings, links, split } from "./rules/semantics.ts";
import { sharpness, wasted } from "./rules/sharpness.ts";
import { still } from "./rules/still.ts";
import { subject } from "./rules/subject.ts";
import { unseen } from "./rules/unseen.ts";
import { weight } from "./rules/weight.ts";
import { type SceneView, type View, viewOf } from "./view.ts";

/** The screens that a page is judged on: telephones both ways, tablets, laptops, desks, a very wide one. */
export const defaultViewports: readonly Viewport[] = [
  { width: 320, height: 568 },
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 768, height: 1024 },
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
  { width: 2560, height: 1080 },
  { width: 2560, height: 1440 },
];

export interface CheckInput {
  page: Page;
  /** The natural sizes of its texts, pictures and contents. */
  natural: Natural;
  /** What is known of its picture files, by their paths; rules that need one that is missing say nothing of it. */
  pictures?: ReadonlyMap<string, KnownPicture>;
  /** `defaultViewports` without it. */
  viewports?: readonly Viewport[];
}

const ofScenes: Partial<Record<CheckRule, (scene: SceneView, view: View) => Sighting[]>> = {
  order,
  edge,
  sharpness,
  subject,
  contrast,
  reading,
  faint,
  strong,
  unseen,
  wasted,
  opposed,
  blur,
  overflow,
  empty,
  flashing,
  overlap,
  still,
};
const ofViews: Partial<Record<CheckRule, (view: View) => Sighting[]>> = { room, weight };
const ofPages: Partial<Record<CheckRule, (page: Page) => Sighting[]>> = { alt, headings, links, split };

/**
 * Everything that is wrong with a page, over all viewports and everything that can be scrolled: one finding for each
 * rule and thing that it is about, the gravest first. What the page file silences with a reason is left out.
 */
export function checkPage({ viewports = defaultViewports, ...input }: CheckInput): Finding[] {
  return findingsFrom(
    input.page,
    viewports.flatMap((viewport) => seenAt(input, viewport)),
    viewports.length,
  );
}

/** What the rules see at one viewport: what `checkPage` does for each, for callers that share the work out. */
export function seenAt(
  { page, natural, pictures = new Map() }: Omit<CheckInput, "viewports">,
  viewport: Viewport,
): Seen[] {
  const view = viewOf(page, viewport, natural, pictures);
  const seen = (rule: string, sightings: readonly Sighting[]): Seen[] =>
    sightings.map((sighting) => ({ rule: rule as CheckRule, viewport: viewportName(viewport), sighting }));
  return [
    ...Object.entries(ofViews).flatMap(([rule, judge]) => seen(rule, judge(view))),
    ...Object.entries(ofScenes).flatMap(([rule, judge]) =>
      seen(
        rule,
        view.scenes.flatMap((scene) => judge(scene, view)),
      ),
    ),
  ];
}

/** The findings in what was seen at so many viewports, and in the page itself. */
export function findingsFrom(page: Page, seen: readonly Seen[], viewports: number): Finding[] {
  const ofPage = Object.entries(ofPages).flatMap(([rule, judge]) =>
    judge(page).map((sighting) => ({ rule: rule as CheckRule, viewport: "", sighting })),
  );
  const groups = new Map<string, Seen[]>();
  for (const one of [...ofPage, ...seen]) {
    const key = `${one.rule} ${one.sighting.path}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()]
    .flatMap((group) => findingOf(group, page, viewports))
    .sort((a, b) => gravity.indexOf(a.severity) - gravity.indexOf(b.severity));
}

/** One thing that a rule saw at a viewport: plain data. */
export interface Seen {
  rule: CheckRule;
  viewport: string;
  sighting: Sighting;
}
const gravity: readonly Severity[] = ["error", "warning", "note"];

/** One finding from what was seen of it at every viewport; the worst one has the figure and the change. */
function findingOf(group: readonly Seen[], { checks = [] }: Page, viewports: number): Finding[] {
  const [worst] = group.toSorted((a, b) => b.sighting.amount - a.sighting.amount);
  if (!worst) return [];
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
  const screens = new Set(group.map(({ viewport }) => viewport)).size;
  const seenOnAll = screens === viewports;
  if (everywhere === "finding" && !seenOnAll) return [];
  const mends = change && (!everywhere || seenOnAll);
  const setting = checks.find(
    ({ rule, scene, layer }) =>
      rule === worst.rule &&
      (scene === undefined || scene === sighting.scene) &&
      (layer === undefined || layer === sighting.layer),
  );
  const severity = setting?.severity ?? rules[worst.rule].severity;
  if (severity === "off") return [];
  const places = group.flatMap(({ viewport, sighting: { from, to } }) =>
    viewport ? [{ viewport, from, to }] : [],
  );
  return [
    {
      ...{ rule: worst.rule, severity, ...sighting },
      ...(mends && { change, ...(copies && { copies }), ...(decided && { decided }) }),
      places,
      why: rules[worst.rule].why,
    },
  ];
}
