import { existsSync } from "node:fs";
import { extname } from "node:path";
import type { Viewport } from "lumbit/core";
import { handOverOf } from "../hand-over/hand-over-of.ts";
import { count, Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import { replaceFile } from "../write-file.ts";

interface Options {
  output: string;
  viewport?: Viewport[];
  scene?: string;
  force?: true;
}

/** Writes the hand-over sheet of a page. */
export async function handOver(file: string, { output, viewport, scene, force }: Options): Promise<void> {
  const kind = extname(output).toLowerCase().slice(1);
  if (kind !== "html" && kind !== "pdf")
    throw new Problem(`${output} is no sheet: end its name with .html or .pdf`);
  if (existsSync(output) && !force)
    throw new Problem(`${output} is there already; name another file, or say --force to replace it`);
  const project = await requireProject(file);
  const content = await handOverOf(project, {
    kind,
    ...(viewport && { viewports: viewport }),
    ...(scene !== undefined && { scene }),
  });
  await replaceFile(output, content);
  const scenes = scene === undefined ? project.page.scenes.length : 1;
  console.log(`${output}: ${count(scenes, "scene")}, ${(Buffer.byteLength(content) / 1024).toFixed(0)} kB`);
}
