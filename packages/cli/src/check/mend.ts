import { type Change, type Finding, independent, type PictureCopy } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { patchText, readPage, type Source } from "lumbit/document";
import { uprightPicture } from "../picture/read-picture.ts";
import { Problem } from "../problem.ts";
import type { PictureAsset, Project } from "../project.ts";
import { findingsOf } from "./findings.ts";

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

/** Takes what is proposed until nothing is. */
export async function mend(
  project: Project,
  findings: readonly Finding[],
  viewports: readonly Viewport[],
): Promise<Mend> {
  const { file, shared } = project;
  let { text } = project;
  let left = [...findings];
  let current = project;
  const changes: Change[] = [];
  const copies: PictureAsset[] = [];
  const known = new Set([text]);
  for (let round = 0; round < rounds; round++) {
    const { taken, text: mended } = mendable(left, text, project);
    const { page, source } = readPage(mended, file, shared);
    // What mends one finding brings another one back: it would go to and fro.
    if (taken.length === 0 || !page || known.has(mended)) break;
    known.add(mended);
    text = mended;
    for (const copy of taken.flatMap(({ copies = [] }) => copies))
      if (!copies.some(({ path }) => path === copy.to)) copies.push(await copyOf(copy, project));
    changes.push(...taken.flatMap(({ change = [] }) => change));
    current = { ...current, page, source, pictures: [...project.pictures, ...copies] };
    left = await findingsOf(current, viewports);
  }
  const last = changes.filter(
    ({ path }, index) => !changes.slice(index + 1).some((later) => later.path === path),
  );
  return { changes: last, copies, text, source: current.source, findings: left };
}

/** The findings that can be mended at once, and the page file with them mended: those that spoil it together wait. */
function mendable(
  findings: readonly Finding[],
  text: string,
  { file, shared }: Project,
): { taken: Finding[]; text: string } {
  const changesOf = (some: readonly Finding[]) => some.flatMap(({ change = [] }) => change);
  const taken: Finding[] = [];
  for (const finding of independent(findings.filter(({ decided }) => !decided)))
    if (readPage(patchText(text, changesOf([...taken, finding])), file, shared).page) taken.push(finding);
  return { taken, text: patchText(text, changesOf(taken)) };
}

async function copyOf(
  { from, to, width, height }: PictureCopy,
  { pictures }: Project,
): Promise<PictureAsset> {
  const picture = pictures.find(({ path }) => path === from);
  if (!picture) throw new Problem(`there is no picture "${from}" to make a smaller one of`);
  const bytes = await (await uprightPicture(picture.bytes, { animated: true }))
    .resize({ width, height, fit: "fill" })
    .toBuffer();
  return { path: to, bytes, width, height, extension: picture.extension };
}
