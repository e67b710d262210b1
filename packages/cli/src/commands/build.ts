import { Command } from "commander";
import { count } from "../problem.ts";
import { requireProject } from "../project.ts";
import { makeSite } from "../site.ts";
import { writeSite } from "../write-site.ts";

export const buildCommand = new Command("build")
  .description("write the page as a site: HTML, CSS, pictures and fonts, no script")
  .argument("<page>", "the page file")
  .requiredOption("-o, --output <folder>", "the folder to write the site into")
  .option("--force", "replace files in the folder that lumbit did not write")
  .addHelpText("after", "\nExample:\n  lumbit build page.json -o site/")
  .action(async (file: string, { output, force }: { output: string; force?: true }) => {
    const site = makeSite(await requireProject(file));
    await writeSite(site, output, force ?? false);
    const bytes = [...site.values()].reduce((sum, content) => sum + Buffer.byteLength(content), 0);
    console.log(`${output}: ${count(site.size, "file")}, ${(bytes / 1024).toFixed(0)} kB, 0 bytes of script`);
  });
