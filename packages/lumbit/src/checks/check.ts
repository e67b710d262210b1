import type { CheckName, Page } from "../core/index.ts";
import type { Severity, Sighting } from "./finding.ts";
import type { SceneView, View } from "./view.ts";

/** One thing that pages are judged for; each stands in a file of its own in `catalog`, where it is found by itself. */
export type Check = {
  name: CheckName;
  severity: Severity;
  /** Why it matters, in one sentence. */
  why: string;
} & (
  | { scope: "page"; judge(page: Page): Sighting[] }
  | { scope: "view"; judge(view: View): Sighting[] }
  /** It may look at nothing that `whatScenesComeFrom` does not name. */
  | { scope: "scene"; judge(scene: SceneView, view: View): Sighting[] }
);
