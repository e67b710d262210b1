import {
  allLayers,
  layoutPage,
  type Page,
  type PageLayout,
  type PagePose,
  poseAt,
  type Viewport,
} from "lumbit/core";
import { isText, withInner } from "lumbit/internal";
import { naturalSizes, type TextSizer } from "lumbit/text";
import type { Project } from "./project.ts";

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
): MeasuredPage {
  const { natural, texts } = naturalSizes(project);
  const layout = layoutPage(project.page, viewport, natural);
  return withEstimates(withSettles(poseAt(layout, scroll), layout), project.page, texts);
}

type ScenePose = PagePose["scenes"][number];

/** A pose that says of every layer how far the page is scrolled when it stands where it was placed, in px. */
export interface MeasuredPage extends Omit<PagePose, "scenes"> {
  scenes: (Omit<ScenePose, "layers"> & {
    layers: (ScenePose["layers"][number] & { settles: number; estimated?: true })[];
  })[];
}

/** The pose, with when each layer settles. */
function withSettles(pose: PagePose, { scenes, viewport }: PageLayout): MeasuredPage {
  const moments = scenes.map((scene) =>
    scene.layers.flatMap(withInner).map(({ settle }) => scene.top - viewport.height + settle),
  );
  return {
    ...pose,
    scenes: pose.scenes.map((scene, s) => ({
      ...scene,
      layers: scene.layers.map((layer, l) => ({ ...layer, settles: moments[s]?.[l] ?? 0 })),
    })),
  };
}

/** The pose, with `estimated: true` at every text for which the page ships no font with all its letters. */
function withEstimates(pose: MeasuredPage, page: Page, texts: TextSizer): MeasuredPage {
  const estimates = page.scenes.map((scene) => {
    const layers = allLayers(scene.layers);
    return new Set(
      layers.filter((layer) => isText(layer) && texts.isEstimate(layer)).map(({ name }) => name),
    );
  });
  const scenes: MeasuredPage["scenes"] = pose.scenes.map((scene, index) => ({
    ...scene,
    layers: scene.layers.map((layer) =>
      estimates[index]?.has(layer.name) ? { ...layer, estimated: true as const } : layer,
    ),
  }));
  return { ...pose, scenes };
}
