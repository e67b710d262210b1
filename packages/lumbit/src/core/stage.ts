import type { Stage } from "./drift.ts";
import type { PageLook } from "./page.ts";
import type { Scene } from "./scene.ts";
import type { Viewport } from "./units.ts";

/** The relief and camera of a scene: its own relief times the page's, its own camera or the page's. */
export const stageOf = (scene: Scene, look: PageLook = {}, viewport?: Viewport): Stage => ({
  ...(viewport && { aspect: viewport.width / viewport.height }),
  relief: (look.relief ?? 1) * (scene.relief ?? 1),
  camera: { pan: 0, push: 0, sway: 0, ...look.camera, ...scene.camera },
});
