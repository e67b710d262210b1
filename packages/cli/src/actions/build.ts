import { count } from "../problem.ts";
import { say } from "../progress.ts";
import { requireProject } from "../project.ts";
import { makeSite } from "../site.ts";
import { writeSite } from "../write-site.ts";

interface Options {
  output: string;
  scripted?: true;
  force?: true;
}

/** Writes a page as a site, and says what it is. */
export async function build(file: string, { output, scripted, force }: Options): Promise<void> {
  const project = await requireProject(file);
  say("building the site");
  const site = await makeSite(project, scripted);
  await writeSite(site, output, force ?? false);
  say("");
  const sizes = [...site].map(([name, content]) => ({ name, bytes: Buffer.byteLength(content) }));
  const sum = (list: typeof sizes) => list.reduce((total, { bytes }) => total + bytes, 0);
  const scripts = sizes.filter(({ name }) => name.endsWith(".js"));
  const kinds = scripts.map(({ name }) => name.split(".")[0]).join(", ");
  const note = `${sum(scripts)} bytes of script${scripted ? ", nearly all for browsers that need it" : kinds && ` for its ${kinds}`}`;
  console.log(`${output}: ${count(site.size, "file")}, ${(sum(sizes) / 1024).toFixed(0)} kB, ${note}`);
}
