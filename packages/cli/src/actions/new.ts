import { makeStarter } from "../starter.ts";

/** Makes a folder with the starter page. */
export async function newPage(folder: string): Promise<void> {
  const page = await makeStarter(folder);
  console.log(`${page} is ready. See it:  npx lumbit preview ${page}`);
}
