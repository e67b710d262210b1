import { existsSync } from "node:fs";
import { extname } from "node:path";
import { type View, viewOf, viewportName } from "lumbit/checks";
import type { Viewport } from "lumbit/core";
import { naturalSizes } from "lumbit/text";
import type { Theme } from "../chart/drawing.ts";
import { jsonOfFaults, printJson } from "../json.ts";
import { layerTable } from "../layer-table.ts";
import { measureProject } from "../measure-project.ts";
import { Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import { replaceFile } from "../write-file.ts";

interface Options {
  viewport?: Viewport[];
  scroll: number;
  json?: true;
  chart?: string;
  elevation?: string;
  scene?: string;
  theme: Theme;
  force?: true;
}

/** Tells where every layer is, or draws how layers move. */
export const measure = (file: string, options: Options): Promise<void> =>
  jsonOfFaults(options.json, { poses: [] }, () => told(file, options));

async function told(file: string, { viewport, scroll, json, ...charted }: Options): Promise<void> {
  const viewports = viewport ?? [{ width: 1280, height: 800 }];
  const project = await requireProject(file);
  const { natural } = naturalSizes(project);
  if (json) {
    const poses = viewports.map((viewport) => measureProject(project, { viewport, scroll }));
    return printJson({ faults: [], poses });
  }
  const pictures = new Map(
    project.pictures.map(({ path, width, height, bytes }) => [
      path,
      { width, height, bytes: bytes.byteLength },
    ]),
  );
  const views = viewports.map((one) => viewOf(project.page, one, natural, pictures));
  const { chart, elevation } = charted;
  if (chart !== undefined) await writeChart(chart, "movement", views[0] as View, charted);
  if (elevation !== undefined) await writeChart(elevation, "elevation", views[0] as View, charted);
  if (chart ?? elevation) return;
  console.log(layerTable(views, scroll));
}

async function writeChart(
  file: string,
  of: "movement" | "elevation",
  view: View,
  { scene: name, theme, force }: Pick<Options, "scene" | "theme" | "force">,
): Promise<void> {
  const kind = extname(file).toLowerCase();
  if (![".svg", ".png"].includes(kind))
    throw new Problem(`${file} is no chart: end its name with .svg or .png`);
  if (existsSync(file) && !force)
    throw new Problem(`${file} is there already; name another file, or say --force to replace it`);
  const scene = name === undefined ? view.scenes[0] : view.scenes.find(({ scene }) => scene.name === name);
  if (!scene)
    throw new Problem(
      `there is no scene "${name}"; the page has ${view.scenes.map(({ scene }) => scene.name).join(", ")}`,
    );
  if (scene.layers.length === 0)
    throw new Problem(`the scene "${scene.scene.name}" has no layers to draw; name another one with --scene`);
  // Loaded here: plotting is slow to start, and nothing else needs it.
  const draw =
    of === "movement"
      ? (await import("../chart/movement.ts")).movementChart
      : (await import("../chart/elevation.ts")).elevationChart;
  const svg = draw(scene, view, theme);
  const { default: sharp } = await import("sharp");
  await replaceFile(
    file,
    kind === ".svg" ? svg : await sharp(Buffer.from(svg), { density: 144 }).png().toBuffer(),
  );
  console.log(`${file}: ${of} of ${scene.scene.name} at ${viewportName(view.viewport)}`);
}
