import { readFile } from "node:fs/promises";
import type { Change, Finding, PictureCopy } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { patchText, readPage, type Source } from "lumbit/document";
import sharp from "sharp";
import { Problem } from "../problem.ts";
import type { PictureAsset, Project } from "../project.ts";
import { judge } from "./judge.ts";

/** What mends a page file: nothing is written yet. */
export interface Mend {
  /** The last of each place. */
  changes: Change[];
  /** Pictures that are to be beside the page file. */
  copies: PictureAsset[];
  /** The page file with the changes, where its values stand then, and what is still found in it. */
  text: string;
  source: Source;
  findings: Finding[];
}

/** At most this often is a page judged anew: one change may bring up what another one hid. */
const rounds = 6;

/**
 * Takes what is proposed until nothing is.
 *
 * @throws Problem when that would make the page file wrong
 */
export async function mend(
  project: Project,
  findings: readonly Finding[],
  viewports: readonly Viewport[],
): Promise<Mend> {
  const { file } = project;
  let text = await readFile(file, "utf8");
  let left = [...findings];
  let current = project;
  const changes: Change[] = [];
  const copies: PictureAsset[] = [];
  const known = new Set([text]);
  for (let round = 0; round < rounds; round++) {
    const next = taken(together(left), text, file);
    if (next.length === 0) break;
    const proposed = next.flatMap(({ change = [] }) => change);
    const patched = patchText(text, proposed);
    // What mends one screen spoils another one: it would go to and fro.
    if (known.has(patched)) break;
    known.add(patched);
    text = patched;
    const { page, source, faults } = readPage(text, file);
    if (!page) throw new Problem("the changes would make the page file wrong; nothing was written", faults);
    for (const copy of next.flatMap(({ copies = [] }) => copies))
      if (!copies.some(({ path }) => path === copy.to)) copies.push(await copyOf(copy, project));
    changes.push(...proposed);
    current = { ...current, page, source, pictures: [...project.pictures, ...copies] };
    ({ findings: left } = await judge(current, viewports));
  }
  const last = changes.filter(
    ({ path }, index) => !changes.slice(index + 1).some((later) => later.path === path),
  );
  return { changes: last, copies, text, source: current.source, findings: left };
}

/** Those findings whose changes have nothing to do with each other: what one of them moves, no other one names. */
function together(findings: readonly Finding[]): Finding[] {
  const taken: string[] = [];
  return findings.filter(({ change, decided }) => {
    if (decided) return false;
    const paths = change?.map(({ path }) => path) ?? [];
    const free = paths.length > 0 && !paths.some((path) => taken.some((other) => isWithin(path, other)));
    if (free) taken.push(...paths);
    return free;
  });
}

/** Those findings whose changes leave the page file right: one that does not spoils no other. */
const taken = (findings: readonly Finding[], text: string, file: string): Finding[] =>
  findings.filter(({ change = [] }) => readPage(patchText(text, change), file).page !== undefined);

const isWithin = (a: string, b: string) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);

async function copyOf(
  { from, to, width, height }: PictureCopy,
  { pictures }: Project,
): Promise<PictureAsset> {
  const picture = pictures.find(({ path }) => path === from);
  if (!picture) throw new Problem(`there is no picture "${from}" to make a smaller one of`);
  const bytes = await sharp(picture.bytes, { animated: true })
    .autoOrient()
    .resize({ width, height, fit: "fill" })
    .toBuffer();
  return { path: to, bytes, width, height };
}
