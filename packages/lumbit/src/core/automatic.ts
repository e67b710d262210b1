import type { Page } from "./page.ts";
import { statesOf } from "./rules.ts";
import { leastHeight, type Scene } from "./scene.ts";
import { resolveLength } from "./units.ts";

/** Whether a scene may be as high as its content, which only a browser or a measurement knows. */
export const isAutomatic = (scene: Scene): boolean => scene.content !== undefined;

/** The narrowest and tallest screen that counts: where least of a page is out of view. */
const tallest = { width: 320, height: 3840 };

/**
 * Whether a scene with layers can be in view at the top or the end of the page with one as high as its content
 * between: when it settles then depends on a height that a style sheet cannot know.
 */
export function hasUnknownEdges({ scenes }: Page): boolean {
  const least = (scene: Scene) =>
    Math.min(
      ...statesOf(scene).map((settings) =>
        resolveLength(leastHeight(settings), { viewport: tallest, percent: 0 }),
      ),
    );
  const unknown = (beside: readonly Scene[]) =>
    beside.some(isAutomatic) && beside.reduce((sum, scene) => sum + least(scene), 0) < tallest.height;
  return scenes.some(
    ({ layers }, index) =>
      layers.length > 0 && (unknown(scenes.slice(0, index)) || unknown(scenes.slice(index + 1))),
  );
}
