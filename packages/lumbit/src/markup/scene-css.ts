import type { PageLook, Scene } from "../core/index.ts";
import type { Assets } from "./assets.ts";
import { modelCss } from "./model.css.ts";
import { propertyCss } from "./registered.css.ts";
import { ruleCss } from "./rule-css.ts";
import { pageRules, sceneRules } from "./scene.ts";
import { sceneSelector } from "./scene-look.ts";

/**
 * The style of a scene that stands still: where all of it is at its settle moment. It holds for its own elements alone, and
 * nothing in it ends a style element.
 */
export const stillCss = (scene: Scene, look: PageLook, assets: Assets): string =>
  [
    propertyCss,
    modelCss,
    ...[...pageRules(look, sceneSelector(scene)), ...sceneRules(scene, look, assets)]
      .filter(({ motion }) => !motion)
      .map(ruleCss),
  ]
    .join("\n")
    .replaceAll("</", "<\\/");
