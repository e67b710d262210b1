import { existsSync, readFileSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { expect, test } from "vitest";
import { lumbit, temporaryFolder } from "./command.ts";
import { type Engine, firefox, launchers } from "./engines.ts";

test("a site built with --scripted moves where the standard is missing, and loads no driver where it is not", async () => {
  const folder = temporaryFolder();
  lumbit(["new", "mine"], folder);
  const { stdout } = lumbit(["build", "mine/page.json", "-o", "site", "--scripted"], folder);
  expect(stdout).toMatch(/9 files, \d+ kB, \d+ bytes of script, nearly all for browsers that need it/);
  const asked: string[] = [];
  const server = createServer((request, response) => {
    const path = request.url === "/" ? "/index.html" : String(request.url);
    asked.push(path);
    const type = path.endsWith(".js")
      ? "text/javascript"
      : path.endsWith(".css")
        ? "text/css"
        : path.endsWith(".svg")
          ? "image/svg+xml"
          : "text/html";
    const file = join(folder, "site", path);
    if (!existsSync(file)) return void response.writeHead(404).end();
    response
      .writeHead(200, { "content-type": type, "content-security-policy": "default-src 'self'" })
      .end(readFileSync(file));
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  /** How far the title has moved on the screen after 300 px of scroll. */
  const moved = async (engine: Engine) => {
    await engine.resize(1000, 800);
    await engine.open(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    const top = `document.querySelector("[data-lumbit-layer=title]").getBoundingClientRect().top`;
    return engine.run<number>(`await new Promise((done) => setTimeout(done, 300)); const before = ${top}; scrollTo({ top: 300, behavior: "instant" });
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))); return ${top} - before;`);
  };
  const isDriver = (path: string) => path.startsWith("/scripted.");
  const old = await firefox(false);
  try {
    expect(await moved(old)).toBeCloseTo(-300 / 4, 0);
    expect(asked.filter(isDriver)).toHaveLength(1);
  } finally {
    await old.close();
  }
  asked.length = 0;
  const current = await launchers.chromium();
  try {
    expect(await moved(current)).toBeCloseTo(-300 / 4, 0);
    expect(asked.filter(isDriver)).toEqual([]);
  } finally {
    await current.close();
    server.close();
  }
});
