import { type PageLook, type Scene, type SceneSettings, sceneHeight, sumLengths } from "../core/index.ts";
import { quoted } from "./safe.ts";
import { settleCss } from "./settle.ts";
import type { Declarations } from "./tree.ts";

/** How a scene's style finds it. */
export const sceneSelector = (scene: Scene) => `[data-lumbit-scene=${quoted(scene.name)}]`;

/** What a page gives all its scenes, without its camera. */
export const pageCss = ({
  background,
  color,
  fontFamily,
  relief,
  column,
  margin,
  gap,
}: PageLook): Declarations => ({
  background,
  color,
  "font-family": fontFamily,
  "--lumbit-page-relief": relief,
  "--lumbit-column": column,
  "--lumbit-margin": margin,
  "--lumbit-gap": gap,
});

/** How high a scene is, and when it settles, for those settings of it that are given. */
export const passageCss = (scene: Scene, settings: SceneSettings): Declarations => {
  const whole = settings === scene;
  return {
    "--lumbit-h":
      !whole && settings.height === undefined
        ? undefined
        : scene.content
          ? "100cqh"
          : heightCss(scene, settings),
    "--lumbit-settle":
      settings.settle === undefined && !whole ? undefined : settleCss(settings.settle ?? "auto"),
  };
};

/** What is painted of a scene, and the space in it, for those settings of it that are given. */
export const sceneLook = (scene: Scene, settings: SceneSettings): Declarations => ({
  "min-height":
    scene.content && (settings.height ?? settings.minHeight) !== undefined
      ? heightCss(scene, settings)
      : undefined,
  "padding-top": settings.paddingTop,
  "padding-bottom": settings.paddingBottom,
  background: settings.background,
  color: settings.color,
});

/** The height that a scene says, or its least height. What a scene with content needs is known only to the stage. */
function heightCss(scene: Scene, settings: SceneSettings): string {
  const height = settings.height ?? sceneHeight(scene);
  const least = settings.minHeight ?? scene.minHeight;
  if (height === "auto") return least ? String(least) : "0px";
  return least ? `max(${sumLengths([height])}, ${least})` : sumLengths([height]);
}
