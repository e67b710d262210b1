import { cp, readdir, readFile, rm, stat } from "node:fs/promises";
import { basename, extname, join, resolve } from "node:path";
import { sharedIn } from "lumbit/document";
import { makeNewFolder } from "../new-folder.ts";
import { Problem } from "../problem.ts";
import { copyRecipe, type Recipe, recipes } from "../recipes.ts";
import { createFile } from "../write-file.ts";
import { appFolder } from "./app.ts";

/** A folder in which no page is open yet: what it is called, and the page files that are in it. */
export interface Beginning {
  folder: string;
  pages: string[];
  takesDrawings: true;
  recipes: Pick<Recipe, "name" | "title">[];
}

/** How a page begins: an empty one with a title, a copy of the demo or of a recipe, or a page file of the folder. */
export type BeginWith =
  | { kind: "empty"; title: string }
  | { kind: "demo" }
  | { kind: "recipe"; name: string }
  | { kind: "page"; name: string };

/** What there is to begin with in a folder. */
export async function beginningIn(folder: string): Promise<Beginning> {
  const names = (await readdir(folder)).filter((name) => name.endsWith(".json"));
  const texts = await Promise.all(
    names.map(async (name) => ({ name, text: await readFile(join(folder, name), "utf8").catch(() => "") })),
  );
  const ofOurs = texts.filter(({ text }) => text.includes('"lumbit/1"'));
  const shared = ofOurs.map(({ text }) => sharedIn(text));
  const pages = ofOurs.flatMap(({ name }) => (shared.includes(name) ? [] : [name]));
  return {
    folder: basename(resolve(folder)),
    pages: pages.sort(),
    takesDrawings: true,
    recipes: (await recipes()).map(({ name, title }) => ({ name, title })),
  };
}

/**
 * The page file to begin with; one that is not there yet is made, under a name that is free.
 *
 * @throws Problem when it cannot be made, or is not in the folder
 */
export async function pageToBegin(folder: string, asked: BeginWith): Promise<string> {
  if (asked.kind === "page") {
    const { pages } = await beginningIn(folder);
    if (!pages.includes(asked.name))
      throw new Problem(`there is no page file "${asked.name}" in this folder`);
    return join(folder, asked.name);
  }
  if (asked.kind === "demo") return copied(folder, "tidehouse", copyDemo);
  if (asked.kind === "recipe") {
    const { name } = asked;
    if (!(await recipes()).some((recipe) => recipe.name === name))
      throw new Problem(`there is no recipe "${name}"`);
    return copied(folder, name, (staging) => copyRecipe(name, staging));
  }
  const file = join(folder, await freeIn(folder, "page", ".json"));
  const page = {
    ...{ format: "lumbit/1", title: asked.title || "Untitled", lang: "en" },
    scenes: [{ name: "first", height: "130vh", layers: [] }],
  };
  await createFile(file, Buffer.from(`${JSON.stringify(page, null, 2)}\n`));
  return file;
}

/** Fills a folder of its own with a page; nobody meets half of it. */
async function copied(
  folder: string,
  stem: string,
  fill: (staging: string) => Promise<void>,
): Promise<string> {
  const target = join(folder, await freeIn(folder, stem, ""));
  await makeNewFolder(target, fill);
  return join(target, "page.json");
}

async function copyDemo(staging: string): Promise<void> {
  await cp(join(appFolder, "demo"), staging, { recursive: true });
  await rm(join(staging, "files.json"), { force: true });
}

/**
 * Makes a page of a drawing in layers, in a folder of its own: its page file, and what could not be brought along.
 *
 * @throws Problem when the drawing cannot be read
 */
export async function pageOfDrawing(
  folder: string,
  name: string,
  bytes: Buffer,
): Promise<{ file: string; notes: readonly string[] }> {
  const [{ readDrawing }, { makePage }, { titleOf, writeMade }] = await Promise.all([
    import("../import/read-drawing.ts"),
    import("../import/make-page.ts"),
    import("../import/page-of.ts"),
  ]);
  const { made, notes } = await makePage(await readDrawing(name, bytes), { title: titleOf(name) });
  const stem = basename(name, extname(name))
    .normalize("NFC")
    .replace(/[^\p{L}\p{N}_-]+/gu, "-");
  const file = await copied(folder, stem.replace(/^-+|-+$/g, "") || "drawing", (staging) =>
    writeMade(staging, made),
  );
  return { file, notes };
}

/** A name that nothing in the folder has. */
async function freeIn(folder: string, stem: string, ending: string): Promise<string> {
  for (let number = 1; ; number++) {
    const name = `${stem}${number === 1 ? "" : `-${number}`}${ending}`;
    if (!(await stat(join(folder, name)).catch(() => undefined))) return name;
  }
}
