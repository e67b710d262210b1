import type { Page } from "lumbit/core";
import { readPage } from "lumbit/document";

/** What a recipe is for, which of its values to play with, and what to watch out for. */
interface About {
  title: string;
  for: string;
  play: readonly { at: string; says: string; least: number; most: number; step: number }[];
  watch: string;
}

export interface Recipe extends About {
  name: string;
  file: PageFile;
}

/** A page as it is written, with parts and copies. */
export type PageFile = object;

/** The page that a file of the recipes comes to. */
export const pageOf = (file: PageFile): Page => readPage(JSON.stringify(file)).page as Page;

const files = import.meta.glob<{ $schema?: string }>("../../recipes/*/page.json", {
  eager: true,
  import: "default",
});
const abouts = import.meta.glob<About>("../../recipes/*/recipe.json", { eager: true, import: "default" });

/** All recipes, by their names. */
export const recipes: readonly Recipe[] = Object.entries(abouts).map(([file, about]) => {
  const name = file.split("/").at(-2) ?? "";
  const { $schema: _, ...own } = files[file.replace("recipe.json", "page.json")] ?? {};
  return { name, file: own, ...about };
});
