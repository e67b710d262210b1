import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { basename, extname } from "node:path";
import { fileURLToPath } from "node:url";
import type { Page } from "lumbit/core";
import { referencesIn } from "lumbit/document";
import {
  hasCues,
  hasFocus,
  hasHeaderLinks,
  hasLayers,
  hasLines,
  hasReel,
  hasSway,
  hasUnknownEdges,
  hasVideos,
} from "lumbit/internal";
import {
  type Assets,
  type LayerPath,
  layerCss,
  layerHtml,
  loaderScript,
  type Picture,
  pageCss,
  pageHtml,
  sceneCss,
  sceneHtml,
} from "lumbit/static";
import { TextSizer } from "lumbit/text";
import { fontStacks } from "./font-stacks.ts";
import { type DeliveredFile, type Deliveries, deliver } from "./picture/deliver.ts";
import { Problem } from "./problem.ts";
import type { PictureAsset, Project } from "./project.ts";

/** The files of a site by their paths in it, in the order in which they are best written: what is named first. */
export type Site = Map<string, string | Buffer>;

export interface SiteOptions {
  /** Whether browsers that cannot move the page by themselves get a script that does; true by default. */
  script?: boolean;
  /** The name of one scene, for a foreign page: its HTML and CSS instead of a page. */
  fragment?: string | undefined;
  /** Links of other pages to this one, such as "#low-water/title". */
  links?: readonly string[];
  /** Whether pictures are the files that the page names, instead of such as its screens need; false by default. */
  originals?: boolean;
}

/**
 * The site of a project: its page, style sheet, pictures and fonts, what plays its cues and sways, and the driver for
 * browsers that cannot move it without script. Of a `fragment` it is one scene for a foreign page.
 *
 * @throws Problem when there is no such scene
 */
export async function makeSite(
  project: Project,
  { script = true, fragment, originals = false, links = [] }: SiteOptions = {},
): Promise<Site> {
  const page = fragment === undefined ? project.page : withScene(project.page, fragment);
  const site: Site = new Map();
  const deliveries = originals ? undefined : await deliver(page, project.pictures);
  const assets = await addAssets(site, project, page, deliveries);
  const css = fragment === undefined ? pageCss(page, assets, links) : sceneCss(page, fragment, assets);
  const stylesheet = fileName(`${fragment ?? "page"}.css`, css);
  site.set(stylesheet, css);
  const scripts = [
    ...(script && hasLayers(page) ? [addDriver(site)] : []),
    // How high a foreign page is, nobody knows before.
    ...pageScripts
      .filter(({ name, needed }) => needed(page) || (fragment !== undefined && name === "edges.js"))
      .map(({ name }) => addScript(site, name)),
  ];
  const html = { assets, stylesheet, scripts, links };
  if (fragment === undefined) site.set("index.html", pageHtml(page, html));
  else site.set(`${fragment}.html`, sceneHtml(page, fragment, html));
  return site;
}

/**
 * One layer of a project as a snippet: its CSS, the markup that goes with it, and the pictures and fonts of it.
 *
 * @throws Problem when there is no such layer, or it cannot be plain CSS
 */
export async function makeSnippet(project: Project, path: LayerPath): Promise<Site> {
  try {
    const own = withScene(project.page, path.scene);
    const [scene] = own.scenes;
    const layers = scene?.layers.filter(({ name }) => name === path.layer) ?? [];
    const site: Site = new Map();
    const assets = await addAssets(site, project, { ...own, scenes: scene ? [{ ...scene, layers }] : [] });
    const stylesheet = `${path.layer}.css`;
    const css = layerCss(project.page, path, assets);
    for (const url of Object.values(assets.fonts)) if (!css.includes(url)) site.delete(url);
    site.set(stylesheet, css);
    site.set(`${path.layer}.html`, layerHtml(project.page, path, { assets, stylesheet }));
    return site;
  } catch (error) {
    if (error instanceof RangeError) throw new Problem(error.message);
    throw error;
  }
}

/** Adds the pictures and fonts of a page to a site; where they are in it. */
async function addAssets(
  site: Site,
  { pictures, fonts, videos, markup }: Project,
  page: Page,
  deliveries?: Deliveries,
): Promise<Assets> {
  const named = new Set(referencesIn(page).map(({ path }) => path));
  const add = (path: string, bytes: Buffer, extension?: string): string => {
    const url = `assets/${fileName(path, bytes, extension)}`;
    site.set(url, bytes);
    return url;
  };
  const addPicture = ({ path, width, height, bytes, extension }: PictureAsset): Picture => {
    const own = deliveries?.pictures.get(path);
    if (!own) return { width, height, url: add(path, bytes, extension) };
    const addFile = (file: DeliveredFile) => add(path, file.bytes, file.extension);
    return {
      ...{ width, height, url: addFile(own.plain) },
      sources: own.sources.map(({ type, files }) => ({
        type,
        files: files.map((file) => ({ url: addFile(file), width: file.width })),
      })),
      ...(own.placeholder && { placeholder: own.placeholder }),
    };
  };
  const texts = new TextSizer(page, fonts);
  return {
    pictures: Object.fromEntries(
      [...pictures, ...videos]
        .filter(({ path }) => named.has(path))
        .map((picture) => [picture.path, addPicture(picture)]),
    ),
    markup: Object.fromEntries(markup.map(({ path, html }) => [path, html])),
    fonts: Object.fromEntries(fonts.map(({ path, bytes }) => [path, add(path, bytes)])),
    fontStacks: await fontStacks({ page, fonts }),
    ems: (text) => texts.ems(text),
    ...(deliveries && { drawn: deliveries.drawn }),
  };
}

/** A page with one of its scenes alone. */
function withScene(page: Page, name: string): Page {
  const scenes = page.scenes.filter((scene) => scene.name === name);
  if (scenes.length === 0)
    throw new Problem(
      `there is no scene "${name}"; the page has ${page.scenes.map(({ name }) => name).join(", ")}`,
    );
  const { head: _, ...own } = page;
  const { backdrop: __, header: ___, ...look } = page.page ?? {};
  return { ...own, page: look, scenes };
}

/** The scripts of the library that pages bring when they need them; what is measured comes before what moves. */
const pageScripts = [
  { name: "edges.js", needed: hasUnknownEdges },
  { name: "lines.js", needed: hasLines },
  { name: "cues.js", needed: hasCues },
  { name: "sway.js", needed: hasSway },
  { name: "videos.js", needed: hasVideos },
  { name: "header.js", needed: hasHeaderLinks },
  { name: "focus.js", needed: hasFocus },
  { name: "reels.js", needed: ({ scenes }: Page) => scenes.some(hasReel) },
] as const;

/** Adds the scripted driver and what loads it; the name of the latter. */
function addDriver(site: Site): string {
  const loader = loaderScript(addScript(site, "scripted.js"));
  const name = fileName("load.js", loader);
  site.set(name, loader);
  return name;
}

/** Adds one of the library's scripts for pages; its name in the site. */
function addScript(site: Site, script: "scripted.js" | (typeof pageScripts)[number]["name"]): string {
  const content = readFileSync(fileURLToPath(import.meta.resolve(`lumbit/browser/${script}`)));
  const name = fileName(script, content);
  site.set(name, content);
  return name;
}

/** File systems know no names of more than 255 bytes. */
const longestName = 80;

/** The name of a published file: that of its source, safe in any address, and a digest so that caches stay right. */
function fileName(path: string, content: string | Buffer, kind?: string): string {
  const extension = kind === undefined ? extname(path).toLowerCase() : `.${kind}`;
  const name =
    basename(path, extname(path))
      .normalize("NFKD")
      .replace(/[^a-z0-9_-]+/gi, "-")
      .slice(0, longestName) || "file";
  return `${name}.${createHash("sha256").update(content).digest("hex").slice(0, 10)}${extension}`;
}
