import { existsSync } from "node:fs";
import { basename, extname } from "node:path";
import { defaultViewports, viewOf, viewportName } from "lumbit/checks";
import { layoutPage, type Viewport } from "lumbit/core";
import { findingsOf } from "../check/findings.ts";
import { picturesOf } from "../check/judge.ts";
import { naturalSizes } from "../natural.ts";
import { count, Problem } from "../problem.ts";
import { say } from "../progress.ts";
import { type Project, requireProject } from "../project.ts";
import { differences } from "../proof/difference.ts";
import { film } from "../proof/film.ts";
import { proofMaterials } from "../proof/materials.ts";
import { photograph } from "../proof/photograph.ts";
import { sheetHtml, sheetWidth, type Version } from "../proof/sheet.ts";
import { makeSite } from "../site.ts";
import { replaceFile } from "../write-file.ts";

interface Options {
  output: string;
  viewport?: Viewport[];
  scene?: string;
  moments?: number;
  against?: string;
  film?: true;
  seconds?: number;
  force?: true;
}

/** Moments side by side without a number: of a whole page more than of a scene. */
const columns = { page: 8, scene: 5 };
/** The pace of a film without a length, in px a second, and the shortest and longest that comes to. */
const pace = { scroll: 500, shortest: 4, longest: 40 };

/** Draws a sheet of a page, or films it. */
export async function proof(file: string, options: Options): Promise<void> {
  refuse(options);
  const { output, scene } = options;
  const project = await requireProject(file);
  const names = project.page.scenes.map(({ name }) => name);
  if (scene !== undefined && !names.includes(scene))
    throw new Problem(`there is no scene "${scene}"; the page has ${names.join(", ")}`);
  const { content, about } = await (options.film ? makeFilm(project, options) : makeSheet(project, options));
  await replaceFile(output, content);
  console.log(`${output}: ${about}, ${(Buffer.byteLength(content) / 1024).toFixed(0)} kB`);
}

/** @throws Problem for options that do not go together, before anything is read */
function refuse({ output, film, against, seconds, moments, viewport, force }: Options): void {
  const kinds = film ? [".webp"] : [".html", ".png", ".pdf"];
  if (!kinds.includes(extname(output).toLowerCase()))
    throw new Problem(
      film
        ? `${output} is no film: end its name with .webp`
        : `${output} is no sheet: end its name with .html, .png or .pdf`,
    );
  if (film && (against !== undefined || moments !== undefined || (viewport ?? []).length > 1))
    throw new Problem(
      "a film shows one page at one viewport: leave --against, --moments and further viewports away",
    );
  if (!film && seconds !== undefined) throw new Problem("--seconds is the length of a film: say --film too");
  if (existsSync(output) && !force)
    throw new Problem(`${output} is there already; name another file, or say --force to replace it`);
}

async function makeSheet(project: Project, options: Options) {
  const { output, scene, against } = options;
  const viewports = options.viewport ?? defaultViewports;
  const moments = options.moments ?? (scene === undefined ? columns.page : columns.scene);
  const other = against === undefined ? undefined : await requireProject(against);
  const own = await versionOf(project, viewports);
  const html = sheetHtml({
    title: project.page.title,
    versions: other ? [own, await versionOf(other, viewports)] : [own],
    differences: other ? differences(project.page, other.page) : [],
    shares: Array.from({ length: moments }, (_, index) => index / (moments - 1)),
    ...(scene !== undefined && { scene }),
  });
  const kind = extname(output).toLowerCase();
  if (kind !== ".html") say("drawing the sheet");
  const content =
    kind === ".html" ? html : await photograph(html, kind as ".png" | ".pdf", sheetWidth(moments));
  say("");
  return { content, about: `${count(viewports.length, "screen")}, ${count(moments, "moment")}` };
}

async function versionOf(project: Project, viewports: readonly Viewport[]): Promise<Version> {
  const findings = await findingsOf(project, viewports);
  const pictures = await picturesOf(project);
  const { natural } = naturalSizes(project);
  const views = viewports.map((one) => viewOf(project.page, one, natural, pictures));
  return { name: basename(project.file), views, findings, ...(await proofMaterials(project)) };
}

async function makeFilm(project: Project, { viewport: asked, scene, seconds: wanted }: Options) {
  const viewport = asked?.[0] ?? { width: 1280, height: 800 };
  const { natural } = naturalSizes(project);
  const layout = layoutPage(project.page, viewport, natural);
  const reach = layout.scrollHeight - viewport.height;
  const shown = layout.scenes.find(({ name }) => name === scene);
  const within = (scroll: number) => Math.min(Math.max(scroll, 0), reach);
  const from = shown ? within(shown.top - viewport.height) : 0;
  const to = shown ? within(shown.top + shown.height + shown.passage.hold) : reach;
  const seconds = wanted ?? Math.min(Math.max((to - from) / pace.scroll, pace.shortest), pace.longest);
  const content = await film(await makeSite(project), {
    ...{ viewport, from, to, seconds },
    progress: (done, frames) => say(`filming, ${done} of ${frames}`),
  });
  say("");
  return { content, about: `${seconds.toFixed(0)} seconds at ${viewportName(viewport)}` };
}
