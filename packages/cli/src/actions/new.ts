import { cp } from "node:fs/promises";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { packageFolder } from "../package.ts";
import { makePageFolder } from "../page-folder.ts";

/** Makes a folder with the starter page. */
export async function newPage(folder: string): Promise<void> {
  await makePageFolder(folder, (staging) =>
    cp(fileURLToPath(new URL("starter", packageFolder)), staging, { recursive: true }),
  );
  const page = join(folder, "page.json");
  console.log(`${page} is ready. See it:  npx lumbit preview ${page}`);
}
