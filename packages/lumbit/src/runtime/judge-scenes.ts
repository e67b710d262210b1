import type { Scene } from "../core/index.ts";
import { faultInWords } from "../faults/in-words.ts";
import { faultIn, isSafeLink, sceneGrammar } from "../settings/index.ts";
import { judge } from "./adopt/more/json-value.ts";
import { judgeScenes } from "./mount-scene.ts";

/** A scene that is not written as scenes are: where, and what is allowed, in the words of the page file. */
export class SceneError extends Error {
  override name = "SceneError";
}

// Who builds for production loads none of this.
judgeScenes((scene: Scene) => {
  const fault = faultIn(sceneGrammar, withPaths(scene), { ...judge, link: isSafeLink });
  if (!fault) return;
  throw new SceneError(`scene "${scene.name}": ${faultInWords(fault)}`);
});

/** A scene with a path of a page's folder for every address of a file: what a page shows comes from anywhere. */
function withPaths(value: unknown, key = ""): unknown {
  if (typeof value === "string") return value !== "" && ["image", "video"].includes(key) ? "file" : value;
  if (Array.isArray(value)) return value.map((part) => withPaths(part));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([inner, part]) => [
      inner,
      withPaths(part, key === "variants" ? "image" : inner),
    ]),
  );
}
