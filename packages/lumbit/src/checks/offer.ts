import type { Page } from "../core/index.ts";
import { patchText, readPage } from "../document/index.ts";
import { type Change, type Finding, graver, type PictureCopy } from "./finding.ts";
import type { KnownPicture } from "./picture.ts";

/** A page with changes in it that is to be judged, and the smaller pictures that they name. */
export interface Trial {
  page: Page;
  copies: readonly PictureCopy[];
}

/** At most this often is a change taken further where it did not go far enough on every screen. */
const rounds = 6;

/**
 * The findings of a page with only those changes that mend them. Each is made on a copy of the page, which is read and
 * judged again: a change after which its finding still stands, or a graver one than that comes up, is left out. Gives
 * the copies that are to be judged, one after the other, and takes what is found in them.
 */
export function* offers(
  page: Page,
  findings: readonly Finding[],
): Generator<Trial, Finding[], readonly Finding[]> {
  const text = JSON.stringify(page);
  const before = new Set(findings.map(keyOf));
  const mended = new Map<Finding, readonly Change[]>();
  let waiting = findings.filter(({ change = [] }) => change.length > 0);
  while (waiting.length > 0) {
    const batch = oneInEachScene(waiting);
    waiting = waiting.filter((finding) => !batch.includes(finding));
    yield* mend(batch.map((finding) => ({ finding, change: finding.change ?? [] })));
  }
  return findings.map(({ change: _, copies, ...finding }, index) => {
    const change = mended.get(findings[index] as Finding);
    return { ...finding, ...(change && { change: [...change], ...(copies && { copies }) }) };
  });

  function* mend(proposed: readonly Proposed[], round = 1): Generator<Trial, void, readonly Finding[]> {
    const changed = readPage(
      patchText(
        text,
        proposed.flatMap(({ change }) => change),
      ),
      "page.json",
    ).page;
    const found =
      changed && (yield { page: changed, copies: proposed.flatMap(({ finding }) => finding.copies ?? []) });
    const [least] = proposed
      .map(({ finding }) => finding)
      .toSorted(graver)
      .reverse();
    const spoils = !found || found.some((one) => !before.has(keyOf(one)) && least && graver(one, least) < 0);
    if (spoils && proposed.length > 1) {
      const half = Math.ceil(proposed.length / 2);
      yield* mend(proposed.slice(0, half), round);
      yield* mend(proposed.slice(half), round);
    }
    if (spoils) return;
    const further: Proposed[] = [];
    for (const one of proposed) {
      const left = found.find((other) => keyOf(other) === keyOf(one.finding));
      if (!left) mended.set(one.finding, one.change);
      else if (round < rounds && goesOn(one.change, left.change))
        further.push({ finding: one.finding, change: left.change });
      else if (proposed.length > 1) yield* mend([one], round);
    }
    if (further.length > 0) yield* mend(further, round + 1);
  }
}

interface Proposed {
  finding: Finding;
  change: readonly Change[];
}

/** What a finding is about: paths move where layers come and go, names stay. */
const keyOf = ({ rule, scene, layer, path }: Finding): string =>
  layer === undefined ? `${rule} ${path}` : `${rule} ${scene} / ${layer}`;

/** Whether a change says other values of the same settings: it can stand in for the one before. */
const goesOn = (
  before: readonly Change[],
  after: readonly Change[] | undefined,
): after is readonly Change[] =>
  after !== undefined &&
  JSON.stringify(before) !== JSON.stringify(after) &&
  after.length === before.length &&
  after.every(({ path, op }, index) => path === before[index]?.path && op !== "remove");

/**
 * Findings whose changes can be tried at once: one in each scene, which changes nothing but layers. What changes more,
 * such as a scene's height, is tried alone.
 */
function oneInEachScene(findings: readonly Finding[]): Finding[] {
  const sceneOf = ({ change = [] }: Finding) => {
    const scenes = new Set(change.map(({ path }) => /^\/scenes\/\d+(?=\/layers\/)/.exec(path)?.[0]));
    const [scene] = scenes;
    return scenes.size === 1 ? scene : undefined;
  };
  const taken = new Set<string>();
  const apart = findings.filter((finding) => {
    const scene = sceneOf(finding);
    const free = scene !== undefined && !taken.has(scene);
    if (free) taken.add(scene);
    return free;
  });
  return apart.length > 0 ? apart : findings.slice(0, 1);
}

/** Those findings whose changes have nothing to do with each other: what one of them moves, no other one names. */
export function independent(findings: readonly Finding[]): Finding[] {
  const taken: string[] = [];
  return findings.filter(({ change = [] }) => {
    const paths = change.map(({ path }) => path);
    const free = paths.length > 0 && !paths.some((path) => taken.some((other) => isWithin(path, other)));
    if (free) taken.push(...paths);
    return free;
  });
}

const isWithin = (a: string, b: string) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);

/** What is known of pictures, and of smaller copies of them before there are any. */
export const withCopies = (
  pictures: ReadonlyMap<string, KnownPicture>,
  copies: readonly PictureCopy[],
): ReadonlyMap<string, KnownPicture> =>
  new Map([
    ...pictures,
    ...copies.flatMap(({ from, to, width, height }): [string, KnownPicture][] => {
      const whole = pictures.get(from);
      if (!whole) return [];
      const share = width / whole.width;
      const bytes = Math.ceil(whole.bytes * share ** 2);
      const detail = whole.detail && Math.min(1, whole.detail / share);
      return [[to, { ...whole, width, height, bytes, ...(detail !== undefined && { detail }) }]];
    }),
  ]);
