import { createServer, type ServerResponse } from "node:http";
import type { Fault } from "lumbit/document";
import { followFiles } from "../follow-files.ts";
import { isLoopback, listen } from "../listen.ts";
import { Problem } from "../problem.ts";
import { readProject } from "../project.ts";
import { respondRanged } from "../ranged.ts";
import { makeSite, type Site } from "../site.ts";
import { clientScript } from "./client.ts";
import { contentType } from "./content-type.ts";

/** What the terminal is told of. */
export interface PreviewEvents {
  onGood(): void;
  onFaults(faults: readonly Fault[], message: string): void;
}

export interface Preview {
  url: string;
  /** How many files are watched. */
  watched: number;
  close(): Promise<void>;
}

interface State {
  faults: readonly Fault[];
  /** Counts good versions; a page that shows an older one reloads. */
  version: number;
  message: string;
}

/**
 * Serves a page file on a loopback address and keeps it up to date. While the file has faults the last good
 * version stays, with the faults shown in the page.
 *
 * @throws Problem when the page file cannot be read at the start, or the port is taken
 */
export async function startPreview(file: string, port: number, events: PreviewEvents): Promise<Preview> {
  let site: Site = new Map([["index.html", emptyPage]]);
  let state: State = { faults: [], version: 0, message: "" };
  const listeners = new Set<ServerResponse>();
  let pending = Promise.resolve();
  const followed = followFiles(() => {
    pending = pending.then(update);
  });

  const update = async () => {
    try {
      const { project, faults, files } = await readProject(file);
      followed.follow(files);
      if (project) {
        site = await makeSite(project, { originals: true });
        state = { faults: [], version: state.version + 1, message: "" };
        events.onGood();
      } else report(faults, "the page file has faults; the last good version stays");
    } catch (error) {
      report([], Problem.from(error).message);
    }
    for (const listener of listeners) send(listener, state);
  };
  const report = (faults: readonly Fault[], message: string) => {
    state = { ...state, faults, message };
    events.onFaults(faults, message);
  };

  const server = createServer((request, response) => {
    if (!isLoopback(request.headers.host)) return void response.writeHead(403).end("403");
    if (request.method !== "GET" && request.method !== "HEAD")
      return void response.writeHead(405, { ...headers, allow: "GET, HEAD" }).end("405");
    const path = pathOf(request.url) ?? "";
    if (path === "lumbit-preview/events") {
      response.writeHead(200, { ...headers, "content-type": "text/event-stream" });
      listeners.add(response);
      request.on("close", () => listeners.delete(response));
      send(response, state);
      return;
    }
    if (path === "lumbit-preview/client.js")
      return void response
        .writeHead(200, { ...headers, "content-type": contentType(path) })
        .end(clientScript);
    if (path === "favicon.ico") return void response.writeHead(204, headers).end();
    const name = path === "" ? "index.html" : path;
    const content = site.get(name);
    if (content === undefined)
      return void response.writeHead(404, headers).end(`404: the site has no ${name}`);
    respondRanged(
      request,
      response,
      { ...headers, "content-type": contentType(name) },
      name === "index.html" ? withClient(String(content), state.version) : content,
    );
  });

  await readProject(file);
  await update();
  const listening = await listen(server, port).catch(async (error) => {
    await followed.close();
    throw error;
  });
  return {
    url: listening.url,
    watched: new Set((await readProject(file)).files).size,
    async close() {
      await followed.close();
      await listening.close();
    },
  };
}

const headers = {
  "cache-control": "no-store",
  "content-security-policy":
    "default-src 'none'; img-src 'self'; media-src 'self'; style-src 'self'; font-src 'self'; script-src 'self'; connect-src 'self'",
  "x-content-type-options": "nosniff",
};

const emptyPage =
  '<!doctype html>\n<html lang="en"><head><title>Lumbit preview</title></head><body></body></html>';

const withClient = (html: string, version: number) =>
  html.replace(
    "</body>",
    `<script src="/lumbit-preview/client.js" data-version="${version}"></script></body>`,
  );

const send = (response: ServerResponse, state: State) => response.write(`data: ${JSON.stringify(state)}\n\n`);

function pathOf(url = "/"): string | undefined {
  try {
    return decodeURIComponent(new URL(url, "http://127.0.0.1").pathname).slice(1);
  } catch {
    return undefined;
  }
}
