import { existsSync } from "node:fs";
import { extname } from "node:path";
import { Command, Option } from "commander";
import { type View, viewOf, viewportName } from "lumbit/checks";
import { allLayers, isText, layoutPage, type Page, type PagePose, poseAt, type Viewport } from "lumbit/core";
import sharp from "sharp";
import type { Theme } from "../chart/drawing.ts";
import { layerTable } from "../layer-table.ts";
import { naturalSizes } from "../natural.ts";
import { Problem } from "../problem.ts";
import { requireProject } from "../project.ts";
import type { TextSizer } from "../text-size.ts";
import { collectViewports, parseScroll } from "../viewport.ts";
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

export const measureCommand = new Command("measure")
  .description("tell where every layer is, how far it moves and how many pixels it needs")
  .argument("<page>", "the page file")
  .option(
    "--viewport <size>",
    "width and height of the viewport in px, 1280x800 without it; give it again to compare",
    collectViewports,
  )
  .option("--scroll <px>", "how far the page is scrolled", parseScroll, 0)
  .option("--json", "print JSON for other programs")
  .option("--chart <file>", "draw how the layers of a scene move, as .svg or .png")
  .option(
    "--elevation <file>",
    "draw a scene from the side: camera, layers at their depths, what it sees of each",
  )
  .option("--scene <name>", "the scene of a chart; the first without it")
  .addOption(
    new Option("--theme <name>", "the colours of a chart").choices(["light", "dark"]).default("light"),
  )
  .option("--force", "replace a chart that is there")
  .addHelpText("after", "\nExample:\n  lumbit measure page.json --viewport 390x844 --scroll 400 --json")
  .action(async (file: string, { viewport, scroll, json, ...charted }: Options) => {
    const viewports = viewport ?? [{ width: 1280, height: 800 }];
    const project = await requireProject(file);
    const { natural, texts } = naturalSizes(project);
    if (json) {
      const poses = viewports.map((one) =>
        withEstimates(poseAt(layoutPage(project.page, one, natural), scroll), project.page, texts),
      );
      console.log(JSON.stringify(poses.length === 1 ? poses[0] : poses, null, 2));
      return;
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
  });

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
  await replaceFile(
    file,
    kind === ".svg" ? svg : await sharp(Buffer.from(svg), { density: 144 }).png().toBuffer(),
  );
  console.log(`${file}: ${of} of ${scene.scene.name} at ${viewportName(view.viewport)}`);
}

/** The pose, with `estimated: true` at every text for which the page ships no font with all its letters. */
function withEstimates(pose: PagePose, page: Page, texts: TextSizer) {
  const estimates = page.scenes.map((scene) => {
    const layers = allLayers(scene.layers);
    return new Set(
      layers.filter((layer) => isText(layer) && texts.isEstimate(layer)).map(({ name }) => name),
    );
  });
  const scenes = pose.scenes.map((scene, index) => ({
    ...scene,
    layers: scene.layers.map((layer) =>
      estimates[index]?.has(layer.name) ? { ...layer, estimated: true } : layer,
    ),
  }));
  return { ...pose, scenes };
}
