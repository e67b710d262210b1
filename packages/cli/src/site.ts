import { createHash } from "node:crypto";
import { basename, extname } from "node:path";
import { type Assets, pageCss, pageHtml } from "lumbit/static";
import type { Asset, Project } from "./project.ts";

/** The files of a site by their paths in it, in the order in which they are best written: what is named first. */
export type Site = Map<string, string | Buffer>;

/** The site of a project: its page, style sheet, pictures and fonts. */
export function makeSite({ page, pictures, fonts }: Project): Site {
  const site: Site = new Map();
  const add = ({ path, bytes }: Asset): string => {
    const url = `assets/${fileName(path, bytes)}`;
    site.set(url, bytes);
    return url;
  };
  const assets: Assets = {
    pictures: Object.fromEntries(
      pictures.map((picture) => [picture.path, { ...picture, url: add(picture) }]),
    ),
    fonts: Object.fromEntries(fonts.map((font) => [font.path, add(font)])),
  };
  const css = pageCss(page, assets);
  const stylesheet = fileName("page.css", css);
  site.set(stylesheet, css);
  site.set("index.html", pageHtml(page, { assets, stylesheet }));
  return site;
}

/** The name of a published file: that of its source, safe in any address, and a digest so that caches stay right. */
function fileName(path: string, content: string | Buffer): string {
  const extension = extname(path).toLowerCase();
  const name =
    basename(path, extname(path))
      .normalize("NFKD")
      .replace(/[^a-z0-9_-]+/gi, "-") || "file";
  return `${name}.${createHash("sha256").update(content).digest("hex").slice(0, 10)}${extension}`;
}
