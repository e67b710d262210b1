import { readFile } from "node:fs/promises";
import { dirname, resolve } from "node:path";
import type { Page } from "lumbit/core";
import { sharedIn } from "lumbit/document";
import { hasLayers, hasVideos } from "lumbit/internal";
import type { LayerPath } from "lumbit/static";
import { buildSite } from "../build-site.ts";
import { followFiles } from "../follow-files.ts";
import { jsonOfFaults, printJson } from "../json.ts";
import { printProblem } from "../print-problem.ts";
import { count, Problem } from "../problem.ts";
import { type Project, readProject, requireProject } from "../project.ts";
import { siteOfPages } from "../site-of-pages.ts";
import { writeSite } from "../write-site.ts";

interface Options {
  output: string;
  script: boolean;
  originals?: boolean;
  fragment?: string;
  layer?: string;
  force?: true;
  watch?: true;
  json?: true;
}

/** Writes pages as a site, and says what it is; with `watch` whenever one changes. */
export async function build(files: readonly string[], options: Options): Promise<void> {
  const once = () => jsonOfFaults(options.json, { files: [] }, () => written(files, options));
  const watched = async () => (await Promise.all(files.map(readProject))).flatMap(({ files }) => files);
  if (!options.watch) return once();
  // One after the other: what changes while it is built is built next.
  let building = Promise.resolve();
  const followed = followFiles(() => {
    building = building.then(again);
  });
  const again = async () => {
    try {
      followed.follow(await watched());
      await once();
    } catch (error) {
      printProblem(Problem.from(error));
    }
  };
  await watched();
  await again();
  if (!options.json) console.log("watching; Ctrl+C ends it");
}

async function written(
  files: readonly string[],
  { output, script, originals = false, fragment, layer, force, json }: Options,
): Promise<void> {
  if (fragment !== undefined && layer !== undefined)
    throw new Problem("--fragment and --layer: one of them, for they write other things");
  const projects: Project[] = [];
  for (const file of await pagesAmong(files)) projects.push(await requireProject(file));
  const [project] = projects as [Project];
  if (projects.length > 1 && (fragment ?? layer) !== undefined)
    throw new Problem("a fragment or a layer is of one page; name that page alone");
  const site =
    projects.length > 1
      ? await siteOfPages(projects, { script, originals })
      : await buildSite(project, {
          ...{ script, originals },
          ...(fragment !== undefined && { fragment }),
          ...(layer !== undefined && { layer: pathOf(layer) }),
        });
  await writeSite(site, output, force ?? false);
  if (json)
    return printJson({
      faults: [],
      output,
      files: [...site].map(([path, content]) => ({ path, bytes: Buffer.byteLength(content) })),
    });
  const sizes = [...site].map(([name, content]) => ({ name, bytes: Buffer.byteLength(content) }));
  const sum = (list: typeof sizes) => list.reduce((total, { bytes }) => total + bytes, 0);
  const kinds = sizes.flatMap(({ name }) => /^(\w+)\.\w+\.js$/.exec(name)?.[1] ?? []);
  const own = kinds.filter((kind) => kind !== "load" && kind !== "scripted");
  const bytes = (of: (kind: string) => boolean) =>
    sum(sizes.filter(({ name }) => name.endsWith(".js") && of(name.split(".")[0] ?? "")));
  const notes = [
    own.length > 0 ? `${bytes((kind) => own.includes(kind))} bytes of script for its ${own.join(", ")}` : "",
    kinds.includes("scripted")
      ? `${bytes((kind) => !own.includes(kind))} bytes of script that only browsers without scroll-driven animations load`
      : "",
  ].filter(Boolean);
  console.log(
    `${output}: ${count(site.size, "file")}, ${(sum(sizes) / 1024).toFixed(0)} kB${notes.map((note) => `, ${note}`).join("") || ", no script"}`,
  );
  if (script || layer !== undefined) return;
  for (const { page } of projects.filter(({ page }) => hasLayers(page)))
    console.log(
      `without the script ${stillWithout(page)} in browsers without scroll-driven animations, such as Firefox today`,
    );
  if (projects.some(({ page }) => hasVideos(page))) console.log("without the script films show their stills");
}

/** Without the files that others among them share: `*.json` names those too. */
async function pagesAmong(files: readonly string[]): Promise<string[]> {
  const shared = await Promise.all(
    files.map(async (file) => {
      const name = sharedIn(await readFile(file, "utf8").catch(() => ""));
      return name === undefined ? [] : [resolve(dirname(file), name)];
    }),
  );
  return files.filter((file) => !shared.flat().includes(resolve(file)));
}

/** The layer that somebody named, as `scene/layer`. */
function pathOf(text: string): LayerPath {
  const [scene, layer, ...more] = text.split("/");
  if (!scene || !layer || more.length > 0)
    throw new Problem(`"${text}" is no layer: say its scene and its own name, such as descent/far-kelp`);
  return { scene, layer };
}

/** What stands still where a browser has no scroll-driven animations and no script. */
function stillWithout({ scenes }: Page): string {
  const names = scenes.filter(({ layers }) => layers.length > 0).map(({ name }) => name);
  const list =
    names.length > 4 ? `${names.slice(0, 3).join(", ")} and ${names.length - 3} more` : names.join(", ");
  return `the layers of ${list} stand still, pictures at the horizon apart,`;
}
