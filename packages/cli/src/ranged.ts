import type { IncomingMessage, OutgoingHttpHeaders, ServerResponse } from "node:http";

/** Answers with a file, or with the part of it that is asked for: browsers seek in films, and some play no others. */
export function respondRanged(
  request: IncomingMessage,
  response: ServerResponse,
  headers: OutgoingHttpHeaders,
  content: string | Buffer,
): void {
  const bytes = Buffer.from(content);
  const asked = /^bytes=(\d*)-(\d*)$/.exec(request.headers.range ?? "");
  const whole = { ...headers, "accept-ranges": "bytes", "content-length": bytes.length };
  if (!asked || (!asked[1] && !asked[2])) return void response.writeHead(200, whole).end(bytes);
  const from = asked[1] ? Number(asked[1]) : Math.max(0, bytes.length - Number(asked[2]));
  const to = asked[1] && asked[2] ? Math.min(Number(asked[2]), bytes.length - 1) : bytes.length - 1;
  if (from > to)
    return void response.writeHead(416, { ...headers, "content-range": `bytes */${bytes.length}` }).end();
  response
    .writeHead(206, {
      ...whole,
      "content-length": to - from + 1,
      "content-range": `bytes ${from}-${to}/${bytes.length}`,
    })
    .end(bytes.subarray(from, to + 1));
}
