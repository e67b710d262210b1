import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { afterAll, beforeAll } from "vitest";
import { root } from "./command.ts";

/** The part of the library that a file is, by the name that the build gives it. */
export const partOf = (url: string): string | undefined =>
  /\/(build|more|scripted|sway|cues|events|videos|reel)-[\w-]+\.js$/.exec(url)?.[1];

/**
 * Serves a page's markup with the library beside it, for as long as the tests of a file run. `hold` has parts wait until
 * what it gives is called.
 */
export function partsServer() {
  let server: Server;
  let body = "";
  let held: Promise<void> = Promise.resolve();
  beforeAll(async () => {
    server = createServer(async ({ url = "/" }, response) => {
      const script = url.startsWith("/dist/");
      response.setHeader("content-type", script ? "text/javascript" : "text/html; charset=utf-8");
      if (script && partOf(url)) await held;
      response.end(script ? readFileSync(join(root, "packages/lumbit", url)) : body);
    });
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  });
  afterAll(() => server?.close());
  return {
    /** The address at which this markup is from now on. */
    addressOf(markup: string): string {
      body = markup;
      return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
    },
    hold(): () => void {
      let release = () => {};
      held = new Promise((resolve) => {
        release = resolve;
      });
      return release;
    },
  };
}
