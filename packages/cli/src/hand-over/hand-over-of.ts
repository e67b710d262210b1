import { viewOf } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { layerPlaceCss } from "lumbit/static";
import { naturalSizes } from "lumbit/text";
import { picturesOf } from "../check/judge.ts";
import { Problem } from "../problem.ts";
import { say, under, type Work } from "../progress.ts";
import type { Project } from "../project.ts";
import { proofMaterials } from "../proof/materials.ts";
import { photograph } from "../proof/photograph.ts";
import { handOverHtml, handOverWidth } from "./sheet.ts";

export interface HandOverOptions extends Work {
  kind: "html" | "pdf";
  /** A desk and a telephone by default. */
  viewports?: readonly Viewport[];
  /** One scene alone. */
  scene?: string;
}

const usual: readonly Viewport[] = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
];

/**
 * A sheet for whoever builds a page in code of their own: all layers of a project with their places, depths and moments, in
 * pixels and in CSS, beside their pictures.
 *
 * @throws Problem when it has no such scene, or no browser is there to make a PDF
 */
export const handOverOf = (
  project: Project,
  { kind, viewports = usual, scene, ...work }: HandOverOptions,
): Promise<string | Buffer> =>
  under(work, async () => {
    const { page } = project;
    const names = page.scenes.map(({ name }) => name);
    if (scene !== undefined && !names.includes(scene))
      throw new Problem(`there is no scene "${scene}"; the page has ${names.join(", ")}`);
    say("drawing the sheet");
    const { natural, texts } = naturalSizes(project);
    const pictures = await picturesOf(project);
    const assets = {
      pictures: Object.fromEntries(
        project.pictures.map((picture) => [picture.path, { ...picture, url: picture.path }]),
      ),
      fonts: {},
      ems: (text: Parameters<typeof texts.ems>[0]) => texts.ems(text),
    };
    const html = handOverHtml({
      title: page.title,
      views: viewports.map((viewport) => viewOf(page, viewport, natural, pictures)),
      scenes: scene === undefined ? names : [scene],
      css: (scene, layer) => layerPlaceCss(page, { scene, layer }, assets),
      ...(await proofMaterials(project)),
    });
    const content = kind === "html" ? html : await photograph(html, ".pdf", handOverWidth);
    say("");
    return content;
  });
