import type { LayerPath } from "lumbit/static";
import { say, under, type Work } from "./progress.ts";
import type { Project } from "./project.ts";
import { makeSite, makeSnippet, type Site, type SiteOptions } from "./site.ts";
import { writeSite } from "./write-site.ts";

export interface BuildOptions extends Work, SiteOptions {
  /** The folder to write the site into; without it nothing is written. */
  output?: string;
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
  {
    output,
    script = true,
    fragment,
    originals = false,
    layer,
    force = false,
    links,
    ...work
  }: BuildOptions = {},
): Promise<Site> =>
  under(work, async () => {
    say("building the site");
    const site = layer
      ? await makeSnippet(project, layer)
      : await makeSite(project, { script, fragment, originals, ...(links && { links }) });
    say("");
    if (output !== undefined) await writeSite(site, output, force);
    return site;
  });
