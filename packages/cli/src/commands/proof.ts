import { existsSync } from "node:fs";
import { extname } from "node:path";
import { Command } from "commander";
import { defaultViewports, viewOf } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { judge } from "../check/judge.ts";
import { naturalSizes } from "../natural.ts";
import { Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import { proofMaterials } from "../proof/materials.ts";
import { photograph } from "../proof/photograph.ts";
import { sheetHtml, sheetWidth } from "../proof/sheet.ts";
import { replaceFile } from "../replace-file.ts";
import { collectViewports } from "../viewport.ts";

interface Options {
  output: string;
  viewport?: Viewport[];
  scene?: string;
  force?: true;
}

/** Moments side by side: of a whole page more than of a scene. */
const columns = { page: 8, scene: 5 };

export const proofCommand = new Command("proof")
  .description("draw a sheet of a page: screens below each other, moments of the scroll side by side")
  .argument("<page>", "the page file")
  .requiredOption("-o, --output <file>", "the sheet: .html needs no browser, .png and .pdf are made by one")
  .option("--scene <name>", "the moments of this scene instead of the whole page")
  .option("--viewport <size>", "a viewport to show, in px; give it again for more", collectViewports)
  .option("--force", "replace a file that is there")
  .addHelpText("after", "\nExample:\n  lumbit proof page.json -o proof.html --scene descent")
  .action(async (file: string, { output, viewport, scene, force }: Options) => {
    const kind = extname(output).toLowerCase();
    if (![".html", ".png", ".pdf"].includes(kind))
      throw new Problem(`${output} is no sheet: end its name with .html, .png or .pdf`);
    if (existsSync(output) && !force)
      throw new Problem(`${output} is there already; name another file, or say --force to replace it`);
    const viewports = viewport ?? defaultViewports;
    const project = await requireProject(file);
    const { page } = project;
    if (scene !== undefined && !page.scenes.some(({ name }) => name === scene))
      throw new Problem(
        `there is no scene "${scene}"; the page has ${page.scenes.map(({ name }) => name).join(", ")}`,
      );
    const { natural } = naturalSizes(project);
    const { findings, pictures } = await judge(project, viewports);
    const count = scene === undefined ? columns.page : columns.scene;
    const { materials, style } = await proofMaterials(project);
    const html = sheetHtml({
      title: page.title,
      views: viewports.map((one) => viewOf(page, one, natural, pictures)),
      shares: Array.from({ length: count }, (_, index) => index / (count - 1)),
      ...(scene !== undefined && { scene }),
      findings,
      materials,
      style,
    });
    const sheet =
      kind === ".html" ? html : await photograph(html, kind as ".png" | ".pdf", sheetWidth(count));
    await replaceFile(output, sheet);
    console.log(
      `${output}: ${viewports.length} screens, ${count} moments, ${(Buffer.byteLength(sheet) / 1024).toFixed(0)} kB`,
    );
  });
