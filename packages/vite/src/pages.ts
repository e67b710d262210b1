import { resolve } from "node:path";
import { buildSite, readProject, type Site } from "@lumbit/cli";
import { formatFault } from "lumbit/document";
import mime from "mime";
import type { Plugin, ResolvedConfig } from "vite";

/** Where in a site pages are, and their page files. */
export type Pages = Readonly<Record<string, string>>;

/** Whole pages: built into the site, and served while somebody develops. */
export function pagesOf(pages: Pages): Plugin {
  let config: ResolvedConfig;
  /** Sites as they were built last, by their page files. */
  const built = new Map<string, { site: Site; files: string[] }>();
  const siteOf = async (file: string) => {
    const { project, faults, files } = await readProject(resolve(config.root, file));
    if (!project) throw new Error(faults.map(formatFault).join("\n"));
    // While somebody develops nobody waits for pictures to be made.
    return { site: await buildSite(project, { originals: config.command === "serve" }), files };
  };
  return {
    name: "lumbit:pages",
    configResolved(resolved) {
      config = resolved;
    },
    async generateBundle() {
      for (const [at, file] of Object.entries(pages))
        for (const [path, source] of (await siteOf(file)).site)
          this.emitFile({ type: "asset", fileName: inside(at, path), source });
    },
    configureServer(server) {
      server.watcher.on("all", (_, changed) => {
        for (const [file, { files }] of built)
          if (files.includes(changed)) {
            built.delete(file);
            server.ws.send({ type: "full-reload" });
          }
      });
      server.middlewares.use(async (request, response, next) => {
        const url = decodeURI((request.url ?? "/").split("?")[0] as string).slice(1);
        const found = Object.entries(pages).find(([at]) => url === at || url.startsWith(inside(at, "")));
        if (!found) return next();
        const [at, file] = found;
        // What the page names is named from its folder.
        if (at !== "" && url === at) return void response.writeHead(302, { location: `/${at}/` }).end();
        const path = url.slice(inside(at, "").length) || "index.html";
        try {
          const own = built.get(file) ?? (await siteOf(file));
          built.set(file, own);
          server.watcher.add(own.files);
          const content = own.site.get(path);
          if (content === undefined) return next();
          response.setHeader("content-type", mime.getType(path) ?? "application/octet-stream");
          response.end(
            path === "index.html"
              ? await server.transformIndexHtml(request.url ?? "/", String(content))
              : content,
          );
        } catch (error) {
          next(error);
        }
      });
    },
  };
}

const inside = (at: string, path: string) => (at === "" ? path : `${at}/${path}`);
