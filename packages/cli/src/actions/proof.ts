import { existsSync } from "node:fs";
import { extname } from "node:path";
import { viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { count, Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import { type ProofOptions, proofOf } from "../proof/proof-of.ts";
import { replaceFile } from "../write-file.ts";

interface Options {
  output: string;
  viewport?: Viewport[];
  scene?: string;
  moments?: number;
  against?: string;
  film?: true;
  elevation?: true;
  seconds?: number;
  force?: true;
}

/** Draws a sheet of a page, or films it. */
export async function proof(file: string, options: Options): Promise<void> {
  refuse(options);
  const { output, scene, moments, seconds, viewport } = options;
  const project = await requireProject(file);
  const against = options.against === undefined ? undefined : await requireProject(options.against);
  const made = await proofOf(project, {
    kind: extname(output).toLowerCase().slice(1) as ProofOptions["kind"],
    ...(viewport && { viewports: viewport }),
    ...(scene !== undefined && { scene }),
    ...(moments !== undefined && { moments }),
    ...(seconds !== undefined && { seconds }),
    ...(against && { against }),
    ...(options.elevation && { elevation: true }),
  });
  const { content } = made;
  await replaceFile(output, content);
  const about =
    made.moments === undefined
      ? `${made.seconds?.toFixed(0)} seconds at ${(viewport ?? [{ width: 1280, height: 800 }]).map(viewportName).join(", ")}`
      : `${count(made.screens, "screen")}, ${count(made.moments, "moment")}`;
  console.log(`${output}: ${about}, ${(Buffer.byteLength(content) / 1024).toFixed(0)} kB`);
}

/** More screens side by side nobody can watch. */
const mostScreens = 4;

/** @throws Problem for options that do not go together, before anything is read */
function refuse({ output, film, elevation, against, seconds, moments, viewport, force }: Options): void {
  const kinds = film ? [".webp", ".webm"] : [".html", ".png", ".pdf"];
  if (!kinds.includes(extname(output).toLowerCase()))
    throw new Problem(
      film
        ? `${output} is no film: end its name with .webp or .webm`
        : `${output} is no sheet: end its name with .html, .png or .pdf`,
    );
  if (film && (against !== undefined || moments !== undefined))
    throw new Problem("a film shows all moments of one page: leave --against and --moments away");
  if (film && (viewport ?? []).length > mostScreens)
    throw new Problem(`a film shows ${mostScreens} screens at most: leave some viewports away`);
  if (!film && elevation)
    throw new Problem(
      "--elevation is beside a film: say --film too, or lumbit measure --elevation for a chart",
    );
  if (!film && seconds !== undefined) throw new Problem("--seconds is the length of a film: say --film too");
  if (existsSync(output) && !force)
    throw new Problem(`${output} is there already; name another file, or say --force to replace it`);
}
