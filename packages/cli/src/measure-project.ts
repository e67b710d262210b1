import { allLayers, layoutPage, type Page, type PagePose, poseAt, type Viewport } from "lumbit/core";
import { isText } from "lumbit/internal";
import { naturalSizes } from "./natural.ts";
import type { Project } from "./project.ts";
import type { TextSizer } from "./text-size.ts";

export interface MeasureOptions {
  /** 1280 x 800 by default. */
  viewport?: Viewport;
  /** How far the page is scrolled, in px. */
  scroll?: number;
}

/**
 * Where every layer of a project is at a viewport and a scroll position; `estimated` says of a text that the page ships no
 * font with all its letters.
 */
export function measureProject(
  project: Project,
  { viewport = { width: 1280, height: 800 }, scroll = 0 }: MeasureOptions = {},
): PagePose {
  const { natural, texts } = naturalSizes(project);
  const pose = poseAt(layoutPage(project.page, viewport, natural), scroll);
  return withEstimates(pose, project.page, texts);
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
