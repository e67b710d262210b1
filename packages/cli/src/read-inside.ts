import { readFile, realpath, stat } from "node:fs/promises";
import { resolve, sep } from "node:path";

/** A page that names more is for nobody. */
const mostBytes = 200 * 1024 * 1024;

/** A file that a page names, by its path in the page's folder; or why it cannot be read, where a link leads out of it too. */
export async function readInside(path: string, folder: string): Promise<Buffer | string> {
  const absolute = resolve(folder, path);
  const outside = `"${path}" leaves the page file's folder; copy the file into it and name it from there`;
  if (!absolute.startsWith(folder + sep)) return outside;
  try {
    const real = await realpath(absolute);
    if (!real.startsWith((await realpath(folder)) + sep)) return outside;
    const found = await stat(real);
    // A pipe or a device would never end.
    if (!found.isFile() && !found.isDirectory()) return `"${path}" is no file; name a file`;
    if (found.size > mostBytes) return `"${path}" is larger than 200 MB; make it smaller`;
    return await readFile(real);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === "EISDIR") return `"${path}" is a folder; name a file in it`;
    if (code === "EACCES") return `"${path}" may not be read; change its permissions`;
    return `there is no file "${path}" beside the page file; check its spelling, capitals included`;
  }
}
