import type { LayerPath } from "lumbit/static";
import { say, under, type Work } from "./progress.ts";
import type { Project } from "./project.ts";
import { makeSite, makeSnippet, type Site } from "./site.ts";
import { writeSite } from "./write-site.ts";

export interface BuildOptions extends Work {
  /** The folder to write the site into; without it nothing is written. */
  output?: string;
  /** Whether browsers that cannot move the page by themselves get a script that does; true by default. */
  script?: boolean;
  /** The name of one scene, for a foreign page: its HTML and CSS instead of a page. */
  fragment?: string;
  /** One layer as a snippet of plain CSS: the names of its scene and its own. */
  layer?: LayerPath;
  /** Replaces files in the folder that lumbit did not write. */
  force?: boolean;
}

/**
 * Builds the site of a project, and gives its files by their paths in it.
 *
 * @throws Problem when it cannot be written, or a file that lumbit did not write is in the way
 */
export const buildSite = (
  project: Project,
  { output, script = true, fragment, layer, force = false, ...work }: BuildOptions = {},
): Promise<Site> =>
  under(work, async () => {
    say("building the site");
    const site = layer ? await makeSnippet(project, layer) : await makeSite(project, script, fragment);
    say("");
    if (output !== undefined) await writeSite(site, output, force);
    return site;
  });
