import { basename, extname } from "node:path";
import { type Fault, formatFault, leadsNowhere, linksOf } from "lumbit/document";
import { buildSite } from "./build-site.ts";
import { Problem } from "./problem.ts";
import type { Project } from "./project.ts";
import type { Site, SiteOptions } from "./site.ts";

/** A page of a site of several, by the name of its document. */
interface Paged {
  name: string;
  project: Project;
}

/**
 * Several pages as one site: each is a document called after its page file, the one called `index`, or the first, the site's
 * own page. What they share (pictures, fonts, scripts) is there once.
 *
 * @throws Problem when two would have one name, or a link leads to a page or a scene that is not among them
 */
export async function siteOfPages(
  projects: readonly Project[],
  options: Pick<SiteOptions, "script" | "originals">,
): Promise<Site> {
  const pages = named(projects);
  const strays = pages.flatMap((page) => strayLinks(page, pages));
  // What pages share is told once.
  const faults = [...new Map(strays.map((fault) => [formatFault(fault), fault])).values()];
  if (faults.length > 0) throw new Problem("links lead nowhere; nothing was written", faults);
  const whole: Site = new Map();
  for (const { name, project } of pages)
    for (const [path, content] of await buildSite(project, { ...options, links: linksTo(name, pages) }))
      whole.set(path === "index.html" ? name : path, content);
  return whole;
}

/** What the document of a page is called that is not the site's own. */
const documentOf = ({ file }: Project): string => `${basename(file, extname(file))}.html`;

/** The pages with the names of their documents. */
function named(projects: readonly Project[]): Paged[] {
  const documents = projects.map(documentOf);
  const first = Math.max(0, documents.indexOf("index.html"));
  const pages = projects.map((project, index) => ({
    name: index === first ? "index.html" : documentOf(project),
    project,
  }));
  for (const [index, { name, project }] of pages.entries()) {
    const earlier = pages.findIndex((page) => page.name === name);
    if (earlier < index)
      throw new Problem(
        `${pages[earlier]?.project.file} and ${project.file} would both be ${name}; rename one of them`,
      );
  }
  return pages;
}

/** Links to other pages of the site that are not there, or have no such scene. */
function strayLinks({ project: { page, source } }: Paged, pages: readonly Paged[]): Fault[] {
  const names = pages.map(({ name }) => name);
  return linksOf(page).flatMap(({ href, at }) => {
    const { path, fragment } = pageIn(href) ?? {};
    if (path === undefined) return [];
    const target = pages.find(({ name }) => name === path);
    const own = pages.find(({ name }) => name === "index.html");
    if (!target)
      return [
        source.fault(
          at,
          own && documentOf(own.project) === path
            ? `${basename(own.project.file)} is the site's own page: link to index.html, or build a page called index.json too`
            : `there is no page "${path}" among those that are built; they are ${names.join(", ")}`,
        ),
      ];
    const scenes = target.project.page.scenes.map((scene, index) => [{ ...scene }, index] as const);
    const nowhere = fragment === undefined ? undefined : leadsNowhere(fragment, scenes, `on ${path}`);
    return nowhere ? [source.fault(at, nowhere)] : [];
  });
}

/** The page of the site that a link leads to, and where in it. */
function pageIn(href: string): { path: string; fragment: string | undefined } | undefined {
  const [, path, fragment] = /^(?![a-z][a-z0-9+.-]*:|[/#])([^#?]*\.html)(#.*)?$/i.exec(href) ?? [];
  return path === undefined ? undefined : { path: path.replace(/^\.\//, ""), fragment };
}

/** Where the links of other pages lead in one. */
const linksTo = (name: string, pages: readonly Paged[]): string[] =>
  pages.flatMap(({ project }) =>
    linksOf(project.page).flatMap(({ href }) => {
      const { path, fragment } = pageIn(href) ?? {};
      return path === name && fragment !== undefined ? [fragment] : [];
    }),
  );
