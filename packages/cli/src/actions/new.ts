import { cp } from "node:fs/promises";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { makeNewFolder } from "../new-folder.ts";
import { packageFolder } from "../package.ts";

/** Makes a folder with the starter page. */
export async function newPage(folder: string): Promise<void> {
  await makeNewFolder(folder, (staging) =>
    cp(fileURLToPath(new URL("starter", packageFolder)), staging, { recursive: true }),
  );
  const page = join(folder, "page.json");
  console.log(`${page} is ready. See it:  npx lumbit preview ${page}`);
}
