import type { Scene } from "../core/index.ts";
import { faultIn, sceneGrammar } from "../settings/index.ts";
import { judge } from "./adopt/attribute-value.ts";
import { judgeScenes } from "./mount-scene.ts";

/** A scene that is not written as scenes are: where, and what is allowed, in the words of the page file. */
export class SceneError extends Error {
  override name = "SceneError";
}

// Who builds for production loads none of this.
judgeScenes((scene: Scene) => {
  const fault = faultIn(sceneGrammar, scene, judge);
  if (!fault) return;
  const found = fault.found === undefined ? "something is missing" : `found ${JSON.stringify(fault.found)}`;
  throw new SceneError(
    `scene "${scene.name}": at /${fault.path.join("/")} ${found}; allowed: ${fault.allowed}`,
  );
});
