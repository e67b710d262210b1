import mime from "mime";

/** The content type of a file by its name, texts as UTF-8. */
export function contentType(name: string): string {
  const type = mime.getType(name) ?? "application/octet-stream";
  return /^text\/|javascript|json/.test(type) ? `${type}; charset=utf-8` : type;
}
