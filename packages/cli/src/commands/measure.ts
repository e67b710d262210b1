import Table from "cli-table3";
import { Command } from "commander";
import {
  allLayers,
  isText,
  type LayerLayout,
  layoutPage,
  type Page,
  type PageLayout,
  type PagePose,
  poseAt,
  type Viewport,
} from "lumbit/core";
import { naturalSizes } from "../natural.ts";
import { requireProject } from "../project.ts";
import type { TextSizer } from "../text-size.ts";
import { parseScroll, parseViewport } from "../viewport.ts";

interface Options {
  viewport: Viewport;
  scroll: number;
  json?: true;
}

export const measureCommand = new Command("measure")
  .description("tell where every layer is at a viewport and scroll position, in viewport pixels")
  .argument("<page>", "the page file")
  .option("--viewport <size>", "width and height of the viewport in px", parseViewport, {
    width: 1280,
    height: 800,
  })
  .option("--scroll <px>", "how far the page is scrolled", parseScroll, 0)
  .option("--json", "print JSON for other programs")
  .addHelpText("after", "\nExample:\n  lumbit measure page.json --viewport 390x844 --scroll 400 --json")
  .action(async (file: string, { viewport, scroll, json }: Options) => {
    const project = await requireProject(file);
    const { natural, texts } = naturalSizes(project);
    const layout = layoutPage(project.page, viewport, natural);
    const pose = poseAt(layout, scroll);
    if (json) console.log(JSON.stringify(withEstimates(pose, project.page, texts), null, 2));
    else console.log(table(layout, pose));
  });

/** The pose, with `estimated: true` at every text whose font the page does not ship. */
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

const withInner = (layers: readonly LayerLayout[]): LayerLayout[] =>
  layers.flatMap((layer) => [layer, ...withInner(layer.layers ?? [])]);

/** A line under the head and nothing else: numbers stand in columns by themselves. */
const rules = {
  ...{
    top: "",
    "top-mid": "",
    "top-left": "",
    "top-right": "",
    bottom: "",
    "bottom-mid": "",
    "bottom-left": "",
  },
  ...{
    "bottom-right": "",
    left: "",
    right: "",
    middle: "",
    mid: "",
    "left-mid": "",
    "mid-mid": "",
    "right-mid": "",
  },
};

function table(layout: PageLayout, pose: PagePose): string {
  const { viewport, scroll, scrollHeight } = pose;
  const head = ["layer", "depth", "speed", "left", "top", "width", "height", "overscan", "in view"];
  const px = (value: number) => value.toFixed(1);
  const out = [
    `viewport ${viewport.width} x ${viewport.height}, scrolled ${px(scroll)} of ${px(scrollHeight - viewport.height)} px`,
  ];
  for (const [s, scene] of pose.scenes.entries()) {
    const laidOut = layout.scenes[s];
    const rows = new Table({
      head,
      colAligns: ["left", ...head.slice(2).map(() => "right" as const), "left"],
      style: { head: [], border: [], "padding-left": 0, "padding-right": 2 },
      chars: rules,
    });
    const all = withInner(laidOut?.layers ?? []);
    for (const [l, layer] of scene.layers.entries()) {
      const { depth = 0, speed = 1, overscan } = all[l] ?? {};
      rows.push([
        layer.name,
        Number.isFinite(depth) ? String(+depth.toFixed(3)) : "horizon",
        speed.toFixed(3),
        px(layer.left),
        px(layer.top),
        px(layer.width),
        px(layer.height),
        overscan ? `${px(overscan.top)} / ${px(overscan.bottom)}` : "",
        layer.visible ? "yes" : "no",
      ]);
    }
    const hold = laidOut?.passage.hold ?? 0;
    const held = hold > 0 ? `, holds for ${px(hold)}` : "";
    out.push("", `${scene.name}: top ${px(scene.top)}, height ${px(scene.height)}${held}`);
    if (rows.length > 0) out.push(rows.toString());
  }
  return out.join("\n");
}
