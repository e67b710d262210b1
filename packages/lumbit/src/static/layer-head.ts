import { type AnyLayer, allLayers, depthOf, type Page, type Scene, speedOf, stageOf } from "../core/index.ts";
import { layerPieces } from "../markup/index.ts";

/** What is said of the layer before its style. */
export function headOf(page: Page, scene: Scene, layer: AnyLayer, first: boolean): string[] {
  const depth = depthOf(layer);
  const inside = [layer, ...allLayers(layer.layers ?? [])];
  const missing = [
    inside.some(({ cue }) => cue) && "its cue, which needs a script",
    inside.some((one) => layerPieces(one)) && "its ramps of single letters, words or lines",
    inside.some(({ tilt }) => tilt !== undefined) && "its tilt, which needs a script",
    stageOf(scene, page.page).camera.sway && "the camera's sway, which needs a script",
    stageOf(scene, page.page).camera.push && "the camera's way forward",
    scene.content && "the height that the scene's content gives it: say it yourself",
  ].filter((part) => typeof part === "string");
  return [
    `${layer.name}, a layer of "${scene.name}": ${page.title}.`,
    depth === 0
      ? "It lies on the page, and moves with it."
      : Number.isFinite(depth)
        ? `It lies ${Number(Math.abs(depth).toFixed(4))} camera distances ${depth < 0 ? "before" : "behind"} the page, and so moves ${Number(speedOf(layer).toFixed(4))} px on the screen for every px scrolled.`
        : "It lies at the horizon, and so stays where it is on the screen.",
    `It stands where it is placed ${layer.settle !== undefined ? `at "${layer.settle}" of its own passage` : scene.settle === undefined ? (first ? "when the scene is at the top of the screen" : "in the middle of the scene's passage") : `at "${scene.settle}" of the scene's passage`}.`,
    ...(missing.length > 0 ? [`Left out: ${missing.join("; ")}.`] : []),
  ];
}
