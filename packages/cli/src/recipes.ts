import { cp, mkdir, readdir, readFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { referencesIn } from "lumbit/document";
import { appFolder } from "./compose/app.ts";
import { packageFolder } from "./package.ts";
import { Problem } from "./problem.ts";

/** One everyday task of the trade as a page: what it is for, which values to play with, what to watch out for. */
export interface Recipe {
  /** That of its folder. */
  name: string;
  title: string;
  for: string;
  /** Values of its page file, by JSON pointers. */
  play: readonly { at: string; says: string; least: number; most: number; step: number }[];
  watch: string;
}

const folder = fileURLToPath(new URL("dist/recipes", packageFolder));

/** All recipes, by their names. */
export async function recipes(): Promise<Recipe[]> {
  const names = (await readdir(folder)).sort();
  return Promise.all(
    names.map(async (name) => ({
      name,
      ...JSON.parse(await readFile(join(folder, name, "recipe.json"), "utf8")),
    })),
  );
}

/**
 * Copies the page of a recipe into a folder, with the pictures and fonts that it names.
 *
 * @throws Problem when there is no such recipe
 */
export async function copyRecipe(name: string, into: string): Promise<void> {
  const all = await recipes();
  if (!all.some((recipe) => recipe.name === name))
    throw new Problem(
      `there is no recipe "${name}"; there are ${all.map((recipe) => recipe.name).join(", ")}`,
    );
  const text = await readFile(join(folder, name, "page.json"), "utf8");
  // The demo's art is theirs too.
  for (const path of new Set(referencesIn(JSON.parse(text)).map(({ path }) => path))) {
    await mkdir(dirname(join(into, path)), { recursive: true });
    await cp(join(appFolder, "demo", path), join(into, path));
  }
  await cp(join(folder, name, "page.json"), join(into, "page.json"));
}
