import type { Page } from "lumbit/core";
import { hasLayers } from "lumbit/internal";
import { count } from "../problem.ts";
import { say } from "../progress.ts";
import { requireProject } from "../project.ts";
import { makeSite } from "../site.ts";
import { writeSite } from "../write-site.ts";

interface Options {
  output: string;
  script: boolean;
  force?: true;
}

/** Writes a page as a site, and says what it is. */
export async function build(file: string, { output, script, force }: Options): Promise<void> {
  const project = await requireProject(file);
  say("building the site");
  const site = await makeSite(project, script);
  await writeSite(site, output, force ?? false);
  say("");
  const sizes = [...site].map(([name, content]) => ({ name, bytes: Buffer.byteLength(content) }));
  const sum = (list: typeof sizes) => list.reduce((total, { bytes }) => total + bytes, 0);
  const kinds = sizes.flatMap(({ name }) => /^(\w+)\.\w+\.js$/.exec(name)?.[1] ?? []);
  const own = kinds.filter((kind) => kind !== "load" && kind !== "scripted");
  const bytes = (of: (kind: string) => boolean) =>
    sum(sizes.filter(({ name }) => name.endsWith(".js") && of(name.split(".")[0] ?? "")));
  const notes = [
    own.length > 0 ? `${bytes((kind) => own.includes(kind))} bytes of script for its ${own.join(", ")}` : "",
    kinds.includes("scripted")
      ? `${bytes((kind) => !own.includes(kind))} bytes of script that only browsers without scroll-driven animations load`
      : "",
  ].filter(Boolean);
  console.log(
    `${output}: ${count(site.size, "file")}, ${(sum(sizes) / 1024).toFixed(0)} kB${notes.map((note) => `, ${note}`).join("") || ", no script"}`,
  );
  if (!script && hasLayers(project.page))
    console.log(
      `without the script ${stillWithout(project.page)} in browsers without scroll-driven animations, such as Firefox today`,
    );
}

/** What stands still where a browser has no scroll-driven animations and no script. */
function stillWithout({ scenes }: Page): string {
  const names = scenes.filter(({ layers }) => layers.length > 0).map(({ name }) => name);
  const list =
    names.length > 4 ? `${names.slice(0, 3).join(", ")} and ${names.length - 3} more` : names.join(", ");
  return `the layers of ${list} stand still, pictures at the horizon apart,`;
}
