import { unzipSync } from "fflate";
import { Problem } from "../problem.ts";

/** What of an archive is taken in at most: files, and bytes of all. */
const most = { files: 2000, bytes: 500 * 1024 * 1024 };

/** The files of an archive by their paths; none of them leaves it. @throws Problem for what is none, or too much */
export function unzipped(bytes: Buffer, name: string): Map<string, Buffer> {
  let [files, all] = [0, 0];
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter({ name: path, originalSize }) {
        if (path.endsWith("/") || path.startsWith("__MACOSX/")) return false;
        files++;
        all += originalSize;
        if (files > most.files)
          throw new Problem(`${name} has more than ${most.files} files in it; import what is needed of it`);
        if (all > most.bytes)
          throw new Problem(
            `${name} has more than 500 MB in it when it is unpacked; import what is needed of it`,
          );
        if (path.split(/[/\\]/).includes("..") || /^[/\\]|^[a-z]:/i.test(path))
          throw new Problem(`${name} has a file that would leave its folder: "${path}"; pack it anew`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof Problem) throw error;
    throw new Problem(`${name} is no archive, or a broken one; save it anew`);
  }
  return new Map(Object.entries(entries).map(([path, content]) => [path, Buffer.from(content)]));
}
