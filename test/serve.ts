import { existsSync, readFileSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";

const types: Record<string, string> = {
  ".js": "text/javascript",
  ".css": "text/css",
  ".svg": "image/svg+xml",
  ".webp": "image/webp",
  ".avif": "image/avif",
  ".woff2": "font/woff2",
  ".webm": "video/webm",
};

/** Serves a built site on a loopback address under a strict policy, and keeps what was asked for. */
export async function serveFolder(
  folder: string,
  policy = "default-src 'self'",
): Promise<{ origin: string; asked: string[]; close: () => void }> {
  const asked: string[] = [];
  const server = createServer((request, response) => {
    const path = request.url === "/" ? "/index.html" : String(request.url);
    asked.push(path);
    const file = join(folder, path);
    if (!existsSync(file)) return void response.writeHead(404).end();
    const type = types[path.slice(path.lastIndexOf("."))] ?? "text/html; charset=utf-8";
    response.writeHead(200, { "content-type": type, "content-security-policy": policy });
    response.end(readFileSync(file));
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    asked,
    close: () => void server.close(),
  };
}
