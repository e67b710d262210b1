import { randomBytes, timingSafeEqual } from "node:crypto";
import { stat } from "node:fs/promises";
import { createServer, type IncomingMessage, type OutgoingHttpHeaders, type ServerResponse } from "node:http";
import { dirname, resolve } from "node:path";
import chokidar from "chokidar";
import { isLoopback, listen } from "../listen.ts";
import { contentType } from "../preview/content-type.ts";
import { Problem } from "../problem.ts";
import { respondRanged } from "../ranged.ts";
import { builtApp } from "./app.ts";
import type { KeptPage, PageFolder } from "./page-folder.ts";

/** Loaded when it is asked for: most begin with a page. */
const beginning = () => import("./beginning.ts");

export interface ServedComposer {
  /** With the token, in the fragment, which browsers send nowhere. */
  url: string;
  close(): Promise<void>;
}

/** A page file may be this large, in bytes; what is sent beyond is not read. */
const mostText = 10 * 1024 * 1024;
/** And a picture or a font. */
const mostFile = 50 * 1024 * 1024;
/** And a drawing in layers. */
const mostDrawing = 200 * 1024 * 1024;

/**
 * Serves the composer on a loopback address, for a page file or for a folder in which one is to begin. Everything of the
 * page wants the token that is made at the start, and comes from its folder only.
 *
 * @throws Problem when the page file cannot be read at the start, or the port is taken
 */
export async function startComposer(target: string, port: number): Promise<ServedComposer> {
  const token = randomBytes(16).toString("hex");
  const address = `files/${token}/`;
  const there = await stat(target).catch(() => undefined);
  const isFolder = there?.isDirectory() ?? false;
  let folder: PageFolder | undefined;
  /** The page as it is read while a browser starts: whoever asks first gets that. */
  let opening: Promise<KeptPage> | undefined;
  const app = builtApp();
  const listeners = new Set<ServerResponse>();
  const watcher = chokidar.watch([], {
    depth: 0,
    ignoreInitial: true,
    awaitWriteFinish: { stabilityThreshold: 80, pollInterval: 20 },
  });
  watcher.on("all", (_, path) => {
    if (!folder?.files.includes(resolve(path))) return;
    for (const listener of listeners) listener.write("data: changed\n\n");
  });

  /** Begins to work on a page file. */
  async function begin(file: string): Promise<KeptPage> {
    const { PageFolder } = await import("./page-folder.ts");
    folder = new PageFolder(file);
    const kept = await folder.open(address);
    // The folder too: a file that is gone is watched no more, and comes back in it.
    watcher.add([dirname(resolve(file)), ...folder.files]);
    return kept;
  }
  // What is not there is told at once; the rest is read while the address is printed and a browser starts.
  if (!there) await begin(target);
  else if (!isFolder) {
    opening = new Promise(setImmediate).then(() => begin(target));
    opening.catch(() => {});
  }

  const server = createServer((request, response) => {
    answer(request, response).catch((error) => respond(response, 500, Problem.from(error).message));
  });

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const url = new URL(request.url ?? "/", "http://127.0.0.1");
    if (!isOwn(request)) return respond(response, 403, "only the composer's own page may ask");
    const path = decoded(url.pathname).slice(1);
    const { host = "" } = request.headers;
    response.setHeader("content-security-policy", policyOf(host));
    if (path === "") return respondApp(response, host, String(app.get("index.html")));
    if (path === "favicon.ico") return void response.writeHead(204, headers).end();
    const built = app.get(path);
    if (built) return respond(response, 200, built, path);
    if (path.startsWith("files/")) {
      const [given = "", ...parts] = path.slice("files/".length).split("/");
      const name = parts.join("/");
      const bytes = isToken(given) ? folder?.asset(name) : undefined;
      if (!bytes) return respond(response, 404, "there is no such file");
      return respondRanged(request, response, headersOf(name), bytes);
    }
    if (!path.startsWith("api/")) return respond(response, 404, "there is nothing here");
    const given = url.searchParams.get("token") ?? request.headers.authorization?.replace(/^Bearer /, "");
    if (!isToken(given ?? ""))
      return respond(response, 401, "open the address that lumbit compose prints: it has a token in it");
    if (path === "api/begin" && request.method === "POST" && isFolder) {
      const asked = JSON.parse((await bodyOf(request, mostText, "")).toString("utf8"));
      return respond(
        response,
        200,
        JSON.stringify(await begin(await (await beginning()).pageToBegin(target, asked))),
        "page.json",
      );
    }
    if (path === "api/drawing" && request.method === "POST") {
      const name = url.searchParams.get("name") ?? "drawing";
      const bytes = await bodyOf(
        request,
        mostDrawing,
        `"${name}" is larger than 200 MB; make a smaller copy of it`,
      );
      if (folder) {
        const { sceneOfDrawing } = await import("./scene-of-drawing.ts");
        const made = await sceneOfDrawing(folder, address, { name, bytes });
        return respond(response, 200, JSON.stringify(made), "page.json");
      }
      const { file, notes } = await (await beginning()).pageOfDrawing(target, name, bytes);
      return respond(response, 200, JSON.stringify({ ...(await begin(file)), notes }), "page.json");
    }
    if (isFolder && !folder)
      return respond(
        response,
        200,
        JSON.stringify(await (await beginning()).beginningIn(target)),
        "page.json",
      );
    const first = await opening?.catch(() => undefined);
    if (!folder) throw new Problem("the page is not open yet; try again");
    if (path === "api/page" && request.method === "GET") {
      const kept = first ?? (await folder.open(address));
      opening = undefined;
      watcher.add([...folder.files]);
      return respond(response, 200, JSON.stringify(kept), "page.json");
    }
    if (path === "api/page" && request.method === "PUT") {
      const body = await bodyOf(request, mostText, "the page file would be larger than 10 MB");
      const { text, version } = JSON.parse(body.toString("utf8"));
      const saved = await folder.save(String(text), String(version));
      return saved === undefined
        ? respond(response, 409, JSON.stringify(await folder.open(address)), "page.json")
        : respond(response, 200, JSON.stringify({ version: saved }), "page.json");
    }
    if (path === "api/shared" && request.method === "GET") {
      const shared = await folder.shared(url.searchParams.get("name") ?? "");
      watcher.add([...folder.files]);
      return shared
        ? respond(response, 200, JSON.stringify(shared), "page.json")
        : respond(response, 404, "there is no such file");
    }
    if (path === "api/findings" && request.method === "POST") {
      const asked = JSON.parse((await bodyOf(request, mostText, "")).toString("utf8"));
      const given = new AbortController();
      // Who asks again has gone away from what was asked before.
      response.on("close", () => given.abort());
      const { findingsIn } = await import("./findings.ts");
      const findings = await findingsIn(folder.file, asked, given.signal);
      return respond(response, 200, JSON.stringify(findings), "page.json");
    }
    if (path === "api/files" && request.method === "POST") {
      const name = url.searchParams.get("name") ?? "picture";
      const bytes = await bodyOf(request, mostFile, `"${name}" is larger than 50 MB; make it smaller`);
      return respond(response, 200, JSON.stringify(await folder.add(name, bytes, address)), "page.json");
    }
    if (path === "api/events") {
      response.writeHead(200, { ...headers, "content-type": "text/event-stream" });
      response.write(": here\n\n");
      listeners.add(response);
      request.on("close", () => void listeners.delete(response));
      return;
    }
    respond(response, 404, "there is nothing here");
  }

  const isToken = (given: string): boolean =>
    given.length === token.length && timingSafeEqual(Buffer.from(given), Buffer.from(token));

  const listening = await listen(server, port).catch(async (error) => {
    await watcher.close();
    throw error;
  });
  return {
    url: `${listening.url}#${token}`,
    async close() {
      // What is still being opened would be watched after all.
      await opening?.catch(() => {});
      await watcher.close();
      await listening.close();
    },
  };
}

/** Whether a request is of this address, and of a page of it: no foreign site may ask through a designer's browser. */
function isOwn({ headers: { host = "", origin } }: IncomingMessage): boolean {
  if (!isLoopback(host)) return false;
  // Stages have no origin of their own: they get pictures and fonts, whose addresses have the token in them.
  return origin === undefined || origin === "null" || origin === `http://${host}`;
}

/** What the app and its stages may load. To a stage, which has no origin of its own, WebKit takes nothing for `'self'`. */
const policyOf = (host: string, nonce?: string): string => {
  const own = `'self' http://${host}`;
  const style = nonce ? `'self' 'nonce-${nonce}'` : "'self'";
  return `default-src 'none'; img-src ${own} blob:; media-src ${own} blob:; style-src ${style}; font-src ${own}; script-src ${own}; connect-src 'self'; frame-src 'self'; base-uri 'none'; form-action 'none'`;
};

const headers = {
  "cache-control": "no-store",
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
};

/** The app's own document. Its component set writes a style element, for which it finds a nonce here. */
function respondApp(response: ServerResponse, host: string, html: string): void {
  const nonce = randomBytes(16).toString("base64");
  response
    .writeHead(200, {
      ...headers,
      "content-type": contentType("index.html"),
      "content-security-policy": policyOf(host, nonce),
    })
    .end(html.replace('property="csp-nonce"', `property="csp-nonce" nonce="${nonce}"`));
}

function respond(
  response: ServerResponse,
  status: number,
  content: string | Buffer,
  name = "message.txt",
): void {
  response.writeHead(status, headersOf(name)).end(content);
}

function headersOf(name: string): OutgoingHttpHeaders {
  // A stage is a document without an origin: it may load fonts only where anybody may.
  const shared = /\.(woff2?|ttf|otf)$/i.test(name) && { "access-control-allow-origin": "*" };
  return { ...headers, ...shared, "content-type": contentType(name) };
}

async function bodyOf(request: IncomingMessage, most: number, tooLarge: string): Promise<Buffer> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request) {
    size += part.length;
    if (size > most) throw new Problem(tooLarge);
    parts.push(part);
  }
  return Buffer.concat(parts);
}

function decoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return "/";
  }
}
