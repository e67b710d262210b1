import { createHash } from "node:crypto";
import { access, mkdir, readdir, readFile, rename, rm, rmdir, writeFile } from "node:fs/promises";
import { dirname, join, resolve } from "node:path";
import { withAside } from "./aside.ts";
import { Problem } from "./problem.ts";
import type { Site } from "./site.ts";

/** Lists the files that a build wrote, with their digests, so that the next one knows which are its own. */
const manifestName = ".lumbit-site.json";
type Manifest = Record<string, string>;

/**
 * Writes a site into a folder. Everything is written beside the folder first and then renamed into place, the page
 * last, so that a reader or a crash never meets half a site. Files in the folder that are not ours stay; files of
 * an earlier build that the site no longer has are removed.
 *
 * @throws Problem when a file that lumbit did not write, or that was changed since, stands in the way
 */
export async function writeSite(site: Site, folder: string, force: boolean): Promise<void> {
  const target = resolve(folder);
  const earlier = await readManifest(target);
  if (!force) await refuseToOverwrite(site, target, earlier, folder);
  await withAside(target, async (staging) => {
    const manifest: Manifest = {};
    for (const [path, content] of site) {
      await mkdir(dirname(join(staging, path)), { recursive: true });
      await writeFile(join(staging, path), content);
      manifest[path] = digest(content);
    }
    await writeFile(join(staging, manifestName), JSON.stringify(manifest, null, 2));
    if (await exists(target)) {
      for (const path of [...site.keys(), manifestName]) {
        await mkdir(dirname(join(target, path)), { recursive: true });
        await rename(join(staging, path), join(target, path));
      }
      await removeStale(target, earlier, manifest);
    } else {
      await mkdir(dirname(target), { recursive: true });
      await rename(staging, target);
    }
  });
}

async function refuseToOverwrite(
  site: Site,
  target: string,
  earlier: Manifest,
  folder: string,
): Promise<void> {
  const inTheWay: string[] = [];
  for (const [path, content] of site) {
    const standing = await digestOf(join(target, path));
    // What is the same already is nobody's loss.
    if (standing !== undefined && standing !== earlier[path] && standing !== digest(content))
      inTheWay.push(path);
  }
  if (inTheWay.length > 0)
    throw new Problem(
      `${inTheWay.join(", ")} in ${folder} ${inTheWay.length === 1 ? "is" : "are"} not as lumbit wrote; build into another folder, or say --force to replace`,
    );
}

async function removeStale(target: string, earlier: Manifest, manifest: Manifest): Promise<void> {
  for (const [path, written] of Object.entries(earlier)) {
    if (path in manifest || path.includes("..") || (await digestOf(join(target, path))) !== written) continue;
    await rm(join(target, path));
    if ((await readdir(dirname(join(target, path)))).length === 0) await rmdir(dirname(join(target, path)));
  }
}

async function readManifest(target: string): Promise<Manifest> {
  try {
    return JSON.parse(await readFile(join(target, manifestName), "utf8")) as Manifest;
  } catch {
    return {};
  }
}

const digest = (content: string | Buffer) => createHash("sha256").update(content).digest("hex");
const digestOf = (path: string) =>
  readFile(path).then(digest, (error: NodeJS.ErrnoException) =>
    error.code === "ENOENT" ? undefined : "unreadable",
  );
const exists = (path: string) =>
  access(path).then(
    () => true,
    () => false,
  );
