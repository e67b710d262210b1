import { cp } from "node:fs/promises";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { printJson } from "../json.ts";
import { makeNewFolder } from "../new-folder.ts";
import { packageFolder } from "../package.ts";
import { Problem } from "../problem.ts";
import { copyRecipe, recipes } from "../recipes.ts";

interface Options {
  from?: string;
  list?: true;
  json?: true;
}

/** Makes a folder with the starter page, or with the page of a recipe; or tells which recipes there are. */
export async function newPage(folder: string | undefined, { from, list, json }: Options): Promise<void> {
  if (list) return listRecipes(json);
  if (folder === undefined) throw new Problem("name the folder to make, such as my-page/");
  await makeNewFolder(folder, (staging) =>
    from === undefined
      ? cp(fileURLToPath(new URL("starter", packageFolder)), staging, { recursive: true })
      : copyRecipe(from, staging),
  );
  const page = join(folder, "page.json");
  console.log(`${page} is ready. See it:  npx lumbit preview ${page}`);
}

async function listRecipes(json: true | undefined): Promise<void> {
  const all = await recipes();
  if (json) return printJson({ recipes: all });
  const widest = Math.max(...all.map(({ name }) => name.length));
  for (const recipe of all) console.log(`${recipe.name.padEnd(widest)}  ${recipe.for}`);
  console.log(`\nMake one yours:  npx lumbit new my-page/ --from ${all[0]?.name}`);
}
