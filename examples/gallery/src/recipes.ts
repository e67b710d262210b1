import type { Page } from "lumbit/core";

/** What a recipe is for, which of its values to play with, and what to watch out for. */
interface About {
  title: string;
  for: string;
  play: readonly { at: string; says: string; least: number; most: number; step: number }[];
  watch: string;
}

export interface Recipe extends About {
  name: string;
  page: Page;
}

const pages = import.meta.glob<Page & { $schema?: string }>("../../recipes/*/page.json", {
  eager: true,
  import: "default",
});
const abouts = import.meta.glob<About>("../../recipes/*/recipe.json", { eager: true, import: "default" });

/** All recipes, by their names. */
export const recipes: readonly Recipe[] = Object.entries(abouts).map(([file, about]) => {
  const name = file.split("/").at(-2) ?? "";
  const { $schema: _, ...page } = pages[file.replace("recipe.json", "page.json")] as Page & {
    $schema?: string;
  };
  return { name, page, ...about };
});
