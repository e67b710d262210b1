/**
 * The scroll distance during which any part of a scene is in the viewport. A position in it, p, counts scrolled
 * pixels from the moment the scene's top edge touches the bottom of the viewport.
 */
export interface Passage {
  /** Viewport height V in px. */
  viewport: number;
  /** Scene height H in px. */
  scene: number;
  /** V + H: p at the moment the scene has left. */
  length: number;
  /** The least p that the document's scroll range allows. */
  lo: number;
  /** The largest p that the document's scroll range allows; never below `lo`. */
  hi: number;
}

/** What the passage of a scene depends on, in px. */
export interface PassageInput {
  viewport: number;
  scene: number;
  /** The page above the scene. */
  before: number;
  /** The page below the scene. */
  after: number;
}

/** The passage of a scene and the part of it that can be reached by scrolling. */
export function passageOf({ viewport, scene, before, after }: PassageInput): Passage {
  const length = viewport + scene;
  const lo = Math.max(0, viewport - before);
  return { viewport, scene, length, lo, hi: Math.max(lo, Math.min(length, scene + after)) };
}
