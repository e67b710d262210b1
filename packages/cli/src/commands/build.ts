import { Command } from "commander";
import { count } from "../problem.ts";
import { say } from "../progress.ts";
import { requireProject } from "../project.ts";
import { makeSite } from "../site.ts";
import { writeSite } from "../write-site.ts";

export const buildCommand = new Command("build")
  .description(
    "write the page as a site: HTML, CSS, pictures and fonts, and script only where it has cues, sways or has reels",
  )
  .argument("<page>", "the page file")
  .requiredOption("-o, --output <folder>", "the folder to write the site into")
  .option("--scripted", "let browsers without scroll-driven animations load a script that moves the page")
  .option("--force", "replace files in the folder that lumbit did not write")
  .addHelpText("after", "\nExample:\n  lumbit build page.json -o site/")
  .action(async (file: string, { output, scripted, force }: Options) => {
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
  });

interface Options {
  output: string;
  scripted?: true;
  force?: true;
}
